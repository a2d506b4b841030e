import { deserialize, serialize } from 'node:v8';
import { KeptPasses, type LearnedWater } from '$lib/core/trend';
import type { Database } from '../db/connect.ts';
import type { Reader } from '../repository/database.ts';
import { keep, keptOf } from '../repository/kept-track.ts';
import type { LearnedFrom, Memory } from '../service/deps.ts';

/** So many waters' judgements of this minute, and so many waters' learned tracks, are at hand in one process. */
const MOST_JUDGED = 8;
const MOST_LEARNED = 16;
/** A column of the records holds no more; it is learned anew then, which takes a second. */
const MOST_BYTES = 15_000_000;

/** The last few that were asked for. */
class Last<T> {
	readonly #most: number;
	readonly #all = new Map<string, T>();
	constructor(most: number) {
		this.#most = most;
	}
	get(key: string): T | undefined {
		const known = this.#all.get(key);
		if (known !== undefined) this.set(key, known);
		return known;
	}
	set(key: string, value: T): void {
		this.#all.delete(key);
		this.#all.set(key, value);
		const [oldest] = this.#all.keys();
		if (this.#all.size > this.#most && oldest !== undefined) this.#all.delete(oldest);
	}
	drop(key: string, value: T): void {
		if (this.#all.get(key) === value) this.#all.delete(key);
	}
}

interface Learned {
	readonly madeFrom: string;
	readonly water: Promise<LearnedWater>;
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
	const judged = new Last<Promise<unknown>>(MOST_JUDGED);
	const learned = new Last<Learned>(MOST_LEARNED);
	const passes = new Last<KeptPasses>(MOST_JUDGED);

	async function make(
		reader: Reader,
		of: LearnedFrom,
		earlier: LearnedWater | null,
		learn: (before: LearnedWater | null) => LearnedWater
	): Promise<LearnedWater> {
		let before = earlier;
		try {
			const kept = await keptOf(reader, of, earlier ? null : program);
			const known = kept && (deserialize(kept.content) as LearnedWater);
			if (known && kept.madeFrom === of.madeFrom) return known;
			before ??= known;
		} catch (fault) {
			report(fault as Error, `what was kept of water ${of.waterId}`);
		}
		const made = learn(before);
		const packed = serialize(made);
		if (packed.byteLength <= MOST_BYTES) {
			keep(db, of, packed).catch((fault: unknown) =>
				report(fault as Error, `keeping what was learned of water ${of.waterId}`)
			);
		}
		return made;
	}

	/** What was learned of a water before its last change, if it is at hand and did not fail. */
	const earlierOf = (key: string) => learned.get(key)?.water.catch(() => null) ?? null;

	return {
		judged(key, work) {
			const known = judged.get(key);
			if (known) return known as never;
			const made = work();
			judged.set(key, made);
			made.catch(() => judged.drop(key, made));
			return made;
		},
		passes(waterId) {
			const known = passes.get(waterId) ?? new KeptPasses();
			passes.set(waterId, known);
			return known;
		},
		async learned(reader, from, learn) {
			const of = { ...from, madeFrom: `${program} ${from.madeFrom}` };
			const key = `${of.waterId} ${of.since}`;
			const earlier = await earlierOf(key);
			// Whoever asks for the same meanwhile shares it.
			const known = learned.get(key);
			if (known?.madeFrom === of.madeFrom) return known.water;
			const water = make(reader, of, earlier, learn);
			const own = { madeFrom: of.madeFrom, water };
			learned.set(key, own);
			water.catch(() => learned.drop(key, own));
			return water;
		}
	};
}
