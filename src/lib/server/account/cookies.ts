/** A cookie that the browser is to keep, or to forget where it has no time left. */
export interface SetCookie {
	readonly name: string;
	readonly value: string;
	readonly maxAge: number | null;
}

/** What the library for accounts wants a browser to keep. */
export function cookiesOf(headers: Headers): SetCookie[] {
	return headers.getSetCookie().map((line) => {
		const [pair = '', ...attributes] = line.split(/;\s*/);
		const at = pair.indexOf('=');
		const age = attributes.map((a) => /^max-age=(-?\d+)$/i.exec(a)?.[1]).find((a) => a !== undefined);
		return {
			name: pair.slice(0, at),
			value: decodeURIComponent(pair.slice(at + 1)),
			maxAge: age === undefined ? null : Number(age)
		};
	});
}

/** A cookie of a request, as the library wrote it; null where it was not sent. */
export function cookieIn(headers: Headers, name: string): string | null {
	const found = (headers.get('cookie') ?? '').split(/;\s*/).find((pair) => pair.startsWith(`${name}=`));
	if (found === undefined) return null;
	try {
		return decodeURIComponent(found.slice(name.length + 1));
	} catch {
		return null;
	}
}
