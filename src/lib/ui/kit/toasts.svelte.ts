/** What is told at the edge of the screen and goes by itself. */
export interface Told {
	readonly id: number;
	readonly text: string;
	/** What it undoes or leads to. */
	readonly action?: { readonly word: string; readonly press: () => void };
}

/** Long enough to be read at 200 words a minute, and never shorter than a look away takes. */
const msFor = (text: string) => Math.max(6000, text.split(/\s+/).length * 300 + 3000);

/** Short messages; each stays until it was surely read, or is sent away. */
export class Toasts {
	all = $state.raw<readonly Told[]>([]);
	#last = 0;

	/** @returns what sends it away sooner */
	tell(text: string, action?: Told['action']): () => void {
		const id = ++this.#last;
		this.all = [...this.all, { id, text, ...(action ? { action } : {}) }];
		const away = () => this.dismiss(id);
		setTimeout(away, msFor(text));
		return away;
	}
	dismiss(id: number): void {
		this.all = this.all.filter((told) => told.id !== id);
	}
}
