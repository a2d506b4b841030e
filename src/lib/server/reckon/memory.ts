import { deserialize, serialize } from 'node:v8';
import type { LearnedWater } from '$lib/core/trend';
import type { Database } from '../db/connect.ts';
import type { Reader } from '../repository/database.ts';
import { keep, keptOf } from '../repository/kept-track.ts';
import type { LearnedFrom, Memory } from '../service/deps.ts';

/** So many waters' judgements of this minute, and so many waters' learned tracks, are at hand in one process. */
const MOST_JUDGED = 16;
const MOST_LEARNED = 32;
/** A column of the records holds no more; it is learned anew then, which takes a second. */
const MOST_BYTES = 15_000_000;

/** The last few of what was made, each once however many ask for it. One that failed is not kept. */
class Last<T> {
	readonly #most: number;
	readonly #all = new Map<string, Promise<T>>();
	constructor(most: number) {
		this.#most = most;
	}
	of(key: string, make: () => Promise<T>): Promise<T> {
		const known = this.#all.get(key);
		const made = known ?? make();
		this.#all.delete(key);
		this.#all.set(key, made);
		if (!known) made.catch(() => this.#all.get(key) === made && this.#all.delete(key));
		const [oldest] = this.#all.keys();
		if (this.#all.size > this.#most && oldest !== undefined) this.#all.delete(oldest);
		return made;
	}
}

/**
 * Keeps judgements of the present minute in the process, and what was learned of waters in the process and in the
 * records. That the records cannot be written just now costs time, never an answer.
 *
 * @param program names the program that learns: what another one learned is void, whatever was changed in it
 */
export function createMemory(
	db: Database,
	program: string,
	report: (fault: Error, about: string) => void
): Memory {
	const judged = new Last<unknown>(MOST_JUDGED);
	const learned = new Last<LearnedWater>(MOST_LEARNED);

	async function fromRecords(
		reader: Reader,
		from: LearnedFrom,
		make: () => LearnedWater
	): Promise<LearnedWater> {
		const of = { ...from, madeFrom: `${program} ${from.madeFrom}` };
		try {
			const kept = await keptOf(reader, of);
			if (kept) return deserialize(kept) as LearnedWater;
		} catch (fault) {
			report(fault as Error, `what was kept of water ${of.waterId}`);
		}
		const made = make();
		const packed = serialize(made);
		if (packed.byteLength <= MOST_BYTES) {
			keep(db, of, packed).catch((fault: unknown) =>
				report(fault as Error, `keeping what was learned of water ${of.waterId}`)
			);
		}
		return made;
	}

	return {
		judged: (key, make) => judged.of(key, make) as never,
		learned: (reader, of, make) => learned.of(JSON.stringify(of), () => fromRecords(reader, of, make))
	};
}
