/**
 * Only a path of our own, so that nobody is sent elsewhere: as browsers write one, in printable ASCII. They leave out
 * tabs and line breaks and take a backslash for a slash, so that what begins otherwise may end as another place.
 */
export function ownPath(text: FormDataEntryValue | null): string {
	return typeof text === 'string' && /^\/(?!\/)(?:(?!\\)[\x21-\x7e])*$/.test(text) ? text : '/';
}
