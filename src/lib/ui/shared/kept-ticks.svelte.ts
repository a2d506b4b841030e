import { localStore } from '$lib/client/local-store';

/** What was ticked, list by list, the list touched last first. */
type Kept = readonly (readonly [list: string, ticked: readonly string[]])[];

const KEY = 'ticks';
/** Lists of long ago are over. */
const MOST_LISTS = 40;

const read = async (): Promise<Kept> => (await localStore.read<Kept>(KEY).catch(() => null)) ?? [];

/** The ticks of one list, kept in this browser: put away and come back to, they are as they were. */
export class KeptTicks {
	ticked = $state.raw<readonly string[]>([]);
	/** So many presses are on their way into the browser's store. */
	keeping = $state(0);
	readonly #list: string;

	/** @param list names the list and its occasion, such as a water and a day */
	constructor(list: string) {
		this.#list = list;
	}
	/** Asks the browser's store; until then nothing is ticked. */
	async open(): Promise<void> {
		const own = (await read()).find(([list]) => list === this.#list)?.[1];
		if (own) this.ticked = [...own, ...this.ticked.filter((line) => !own.includes(line))];
	}
	toggle(line: string): void {
		const next = this.ticked.includes(line)
			? this.ticked.filter((other) => other !== line)
			: [...this.ticked, line];
		this.ticked = next;
		this.keeping++;
		void this.#keep(next).finally(() => this.keeping--);
	}
	async #keep(ticked: readonly string[]): Promise<void> {
		const others = (await read()).filter(([list]) => list !== this.#list);
		const kept: Kept = [[this.#list, ticked] as const, ...others].slice(0, MOST_LISTS);
		await localStore.write(KEY, kept).catch(() => undefined);
	}
}
