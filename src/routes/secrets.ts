/** Longer than any password that is taken. */
const LONGEST = 254;

/**
 * What is typed into a field that nobody else is to read, taken out of its form: it is sent back to nobody. The field
 * stands there empty, so that what is wrong with it is said beside it.
 */
export function secretIn(form: FormData, name: string): string {
	const typed = form.get(name);
	form.set(name, '');
	return typeof typed === 'string' ? typed.slice(0, LONGEST) : '';
}
