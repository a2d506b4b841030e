/** An account as its owner sees it; times in milliseconds. */
export interface AccountSeen {
	readonly name: string;
	readonly email: string | null;
	readonly hasSecondFactor: boolean;
	readonly passkeys: readonly { readonly id: string; readonly name: string; readonly at: number | null }[];
	readonly sessions: readonly SessionSeen[];
}

export interface SessionSeen {
	readonly id: string;
	readonly isThis: boolean;
	readonly since: number;
	readonly usedAt: number;
	/** What its browser says that it is. */
	readonly device: string;
	readonly address: string;
}

/** What a form of the account page was answered. */
export interface AccountAnswer {
	readonly done?: string | undefined;
	/** What an authenticator is told; shown once. */
	readonly factor?: { readonly qr: string; readonly secret: string; readonly spareCodes: readonly string[] };
	readonly entered?: Readonly<Record<string, string>> | undefined;
	readonly field?: string | undefined;
	readonly text?: string | undefined;
}

/** What is wrong in the form of a name. */
export function faultOf(answer: AccountAnswer | null, form: string) {
	const own = answer?.text && answer.entered?.form === form ? answer : null;
	return {
		of: (field: string): string | undefined => (own?.field === field ? own.text : undefined),
		above: (...fields: string[]): string => (own && !fields.includes(own.field ?? '') ? (own.text ?? '') : '')
	};
}

const BROWSERS = [
	['Edg/', 'Edge'],
	['OPR/', 'Opera'],
	['Firefox/', 'Firefox'],
	['Chrome/', 'Chrome'],
	['Safari/', 'Safari']
] as const;
const SYSTEMS = [
	['iPhone', 'iPhone'],
	['iPad', 'iPad'],
	['Android', 'Android'],
	['Windows', 'Windows'],
	['Mac OS X', 'Mac'],
	['Linux', 'Linux']
] as const;

/** "Firefox on Android", of what a browser says; in its own words where neither is known. */
export function deviceWords(said: string): string {
	const find = (table: readonly (readonly [string, string])[]) =>
		table.find(([mark]) => said.includes(mark))?.[1];
	const [browser, system] = [find(BROWSERS), find(SYSTEMS)];
	if (!browser && !system) return said.slice(0, 60) || 'A browser that does not say what it is';
	return [browser ?? 'A browser', system].filter(Boolean).join(' on ');
}
