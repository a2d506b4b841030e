/** Hands a file to the person, under a name. */
export function download(content: Blob | string, name: string, type = 'text/csv;charset=utf-8'): void {
	const url = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content);
	const link = document.createElement('a');
	link.href = url;
	link.download = name;
	link.click();
	URL.revokeObjectURL(url);
}
