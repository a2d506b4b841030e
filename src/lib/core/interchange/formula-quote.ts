/** Characters with which a spreadsheet takes a cell for a formula, and the mark that we put before them. */
const FORMULA_START = /^[=+\-@\t\r']/;

/** A text cell that a spreadsheet will not run. Reversed by `unquoteFormula`; numbers are never passed here. */
export function quoteFormula(text: string): string {
	return FORMULA_START.test(text) ? `'${text}` : text;
}

export function unquoteFormula(text: string): string {
	return text.startsWith("'") ? text.slice(1) : text;
}
