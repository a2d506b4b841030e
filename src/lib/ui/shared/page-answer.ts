import type { LinkToShow } from '$lib/contract/people';

/** What a form of the people page was answered: done, with what is shown once, or refused. */
export interface PeopleAnswer {
	readonly done?: string | undefined;
	/** A link that is shown once. */
	readonly link?: LinkToShow | undefined;
	/** Told apart from the link; null where there is none. */
	readonly code?: string | null | undefined;
	readonly entered?: Readonly<Record<string, string>> | undefined;
	readonly field?: string | undefined;
	readonly text?: string | undefined;
	readonly stray?: boolean | undefined;
}

/** What is wrong in the form of a name, field by field; nothing where another form was refused. */
export function faultIn(answer: PeopleAnswer | null, form: string) {
	const refused = answer?.text && answer.entered?.form === form ? answer : null;
	return {
		/** What was entered, to go on from. */
		entered: refused?.entered ?? null,
		of: (field: string): string | undefined => (refused?.field === field ? refused.text : undefined),
		/** What belongs to no field of it. */
		above: (fields: readonly string[]): string =>
			refused && !fields.includes(refused.field ?? '') ? (refused.text ?? '') : ''
	};
}
