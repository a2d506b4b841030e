/** A form as it stands in the page that the server sent: where it goes, and what its fields hold. */
export interface FoundForm {
	readonly action: string;
	readonly fields: readonly (readonly [name: string, value: string, choices: readonly string[]])[];
}

const decoded = (text: string) =>
	text
		.replaceAll('&quot;', '"')
		.replaceAll('&#39;', "'")
		.replaceAll('&lt;', '<')
		.replaceAll('&gt;', '>')
		.replaceAll('&amp;', '&');
const attribute = (tag: string, name: string) => {
	const found = new RegExp(`\\s${name}="([^"]*)"`).exec(tag);
	return found ? decoded(found[1]!) : null;
};

/** All forms of a page, by their plain markup. */
export function formsIn(html: string): FoundForm[] {
	return [...html.matchAll(/<form\b([^>]*)>([\s\S]*?)<\/form>/g)].map(([, head = '', body = '']) => ({
		action: attribute(` ${head}`, 'action') ?? '',
		fields: [
			...[...body.matchAll(/<(?:input|button)\b[^>]*>/g)].flatMap(([tag]) => {
				const name = attribute(tag, 'name');
				return name === null ? [] : [[name, attribute(tag, 'value') ?? '', []] as const];
			}),
			...[...body.matchAll(/<textarea\b([^>]*)>([\s\S]*?)<\/textarea>/g)].flatMap(
				([, tag = '', text = '']) => {
					const name = attribute(` ${tag}`, 'name');
					return name === null ? [] : [[name, decoded(text), []] as const];
				}
			),
			...[...body.matchAll(/<select\b([^>]*)>([\s\S]*?)<\/select>/g)].flatMap(([, tag = '', inner = '']) => {
				const name = attribute(` ${tag}`, 'name');
				const choices = [...inner.matchAll(/<option\b[^>]*>/g)].map(([o]) => attribute(o, 'value') ?? '');
				return name === null ? [] : [[name, choices[0] ?? '', choices] as const];
			})
		]
	}));
}
