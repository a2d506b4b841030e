/** A table as Markdown has it. */
export const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
	[head, head.map(() => '---'), ...rows].map((r) => `| ${r.join(' | ')} |`).join('\n');

/** A share with one decimal. */
export const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
