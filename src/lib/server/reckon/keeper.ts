import { deserialize } from 'node:v8';
import type { Clock, Instant } from '$lib/core/time';
import type { Reached } from '../repository/scope.ts';
import { madeFromOf, type Done, type Task } from './reckon.ts';
import { restsOnOneWater, type AnswerOf, type AskedOf, type ReckoningName } from './reckonings.ts';

const MINUTE_MS = 60_000;
const MEGABYTE = 1_000_000;
/** All kept answers together. */
const MOST_BYTES = 32 * MEGABYTE;
/** One that is larger is not worth what it drives out. */
const MOST_OF_ONE = 4 * MEGABYTE;

/** Where a water stands among those that its person may go to. */
export interface Asking {
	readonly reached: Reached;
	readonly reach: readonly Reached[];
}

export interface Keeper {
	/**
	 * An answer that fits the records as they are: kept from before where nothing was changed since and the minute is
	 * the same, else reckoned anew, once however many ask for it.
	 */
	ask<N extends ReckoningName>(name: N, asking: Asking, ...asked: AskedOf<N>): Promise<AnswerOf<N>>;
}

interface Kept {
	madeFrom: string;
	readonly minute: number;
	readonly packed: Promise<Uint8Array>;
	bytes: number;
}

const minuteOf = (at: Instant) => Math.floor(at / MINUTE_MS);

/** @param run reckons one thing, here or in another thread */
export function createKeeper(clock: Clock, run: (task: Task) => Promise<Done>): Keeper {
	// In the order in which they were last asked for.
	const all = new Map<string, Kept>();
	let bytes = 0;

	const drop = (key: string, kept: Kept) => {
		if (all.get(key) !== kept) return;
		all.delete(key);
		bytes -= kept.bytes;
	};
	const makeRoom = () => {
		for (const [key, kept] of all) {
			if (bytes <= MOST_BYTES) return;
			drop(key, kept);
		}
	};
	const begin = (key: string, task: Task, madeFrom: string): Kept => {
		const before = all.get(key);
		if (before) drop(key, before);
		const work = run(task);
		const kept: Kept = {
			madeFrom,
			minute: minuteOf(task.now),
			packed: work.then((done) => done.packed),
			bytes: 0
		};
		all.set(key, kept);
		work.then(
			(done) => {
				// Others may have written between the look-up and the snapshot: it fits what the snapshot saw.
				kept.madeFrom = done.madeFrom;
				if (done.packed.byteLength > MOST_OF_ONE) return drop(key, kept);
				if (all.get(key) !== kept) return;
				kept.bytes = done.packed.byteLength;
				bytes += kept.bytes;
				makeRoom();
			},
			() => drop(key, kept)
		);
		return kept;
	};

	return {
		async ask(name, { reached, reach }, ...asked) {
			const { scope, water, revisions } = reached;
			const besides = restsOnOneWater(name)
				? []
				: reach.filter((r) => r.scope.siteId === scope.siteId && r.water.id !== water.id);
			const madeFrom = madeFromOf([
				revisions.site,
				revisions.water,
				...besides.map((r) => r.revisions.water)
			]);
			const now = clock.now();
			// What is told beyond the water itself may be told to one member only, as who has done a test before.
			const whom = restsOnOneWater(name) ? null : scope.membershipId;
			const key = JSON.stringify([name, water.id, whom, asked]);
			const known = all.get(key);
			const fits = known?.madeFrom === madeFrom && known.minute === minuteOf(now);
			if (known && fits) {
				all.delete(key);
				all.set(key, known);
			}
			const task: Task = {
				name,
				scope,
				waterId: water.id,
				besides: besides.map((r) => r.water.id),
				asked,
				now
			};
			const kept = known && fits ? known : begin(key, task, madeFrom);
			return deserialize(await kept.packed) as never;
		}
	};
}
