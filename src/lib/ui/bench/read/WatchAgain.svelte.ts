import { roundTo } from '$lib/core/numeric';
import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';
import type { TitrationDraft } from '$lib/ui/shared/reading-draft';

interface Watched {
	readonly desk: BenchDesk;
	readonly which: 0 | 1;
	/** mL or drops that are in so far; null before any. */
	readonly used: number | null;
}

/** Far below any tip drop, mL. */
const FINEST = 1e-4;

/**
 * An end that was called without the value in view is watched once more before it is taken: what is added after that
 * tells how early its reader stops.
 */
export class WatchAgain {
	#asked = $state(false);
	readonly #input: () => Watched;

	constructor(input: () => Watched) {
		this.#input = input;
	}

	get #marks(): TitrationDraft | undefined {
		const { desk, which } = this.#input();
		return desk.draft?.reading.titrations[which];
	}
	get #isBlind(): boolean {
		return this.#input().desk.draft?.reading.circumstances.blind ?? false;
	}
	/** Whether it is being watched: until somebody says that it stood, or adds more. */
	get asking(): boolean {
		return this.#asked && this.#isBlind && this.#input().used === this.#marks?.calledAt;
	}
	/** Where it was first called, while more is being added. */
	get firstAt(): number | null {
		const { used } = this.#input();
		const at = this.#marks?.calledAt;
		return this.#isBlind && at !== undefined && used !== null && used > at ? at : null;
	}

	/**
	 * The colour was called turned.
	 *
	 * @returns whether that is taken; otherwise it is to be watched first
	 */
	called(): boolean {
		const { desk, which, used } = this.#input();
		if (!this.#isBlind || used === null) return true;
		const { calledAt: at, addedAfter } = this.#marks ?? {};
		if (at === used && addedAfter === 0) return true;
		if (at === undefined || used <= at) {
			desk.readTitration(which, { calledAt: used, addedAfter: undefined });
			this.#asked = true;
			return false;
		}
		desk.readTitration(which, { addedAfter: roundTo(used - at, FINEST) });
		return true;
	}
	stood(): void {
		const { desk, which } = this.#input();
		desk.readTitration(which, { addedAfter: 0 });
		this.#asked = false;
	}
	moved(): void {
		this.#asked = false;
	}
}
