import { titrationsOf, type Method } from '$lib/core/method';
import {
	afterTime,
	freshVial,
	FULL_CHANGE,
	restingShare,
	sightOf,
	titrantToShow,
	vialOf,
	withDrop,
	type SimulatedVial,
	type Surroundings,
	type VialSight,
	type VialState
} from '$lib/core/practice';
import { normalDeviate, type Random } from '$lib/core/numeric';

/** Drops of one tip differ by so much, relative (convention: 3 to 10 %). */
const DROP_SD = 0.05;
/** About so much of a drop hangs at a tip when the hand stops. */
const HALF = 0.5;
/** How a stream gives: drops a second. */
const STREAM_PER_S = 9;
/** Most of a frame's time that is reckoned at once: a page that slept does not jump. */
const LONGEST_S = 0.5;
const STEP_S = 0.05;
/** From the tip to the surface. */
const FALL_S = 0.18;
/** How far a moment can be taken back. */
const BACK_S = 2;

interface Moment {
	readonly atS: number;
	readonly state: VialState;
	readonly drops: number;
	readonly lastDropMl: number;
}

/** A vial in the hand: drops fall in, it is mixed by itself, and nobody tells when it turned. */
export class SimVial {
	readonly vial: SimulatedVial;
	readonly changeMl: number;
	drops = $state(0);
	/** Seconds since the first drop. */
	seconds = 0;
	/** Changes with every frame, and is drawn with every frame: nothing else follows it. */
	state: VialState;
	/** Where a drop is on its way down, 0 at the tip to 1 at the surface; null where none falls. */
	falling: number | null = null;
	around: Surroundings;
	lastDropMl = 0;
	#random: Random;
	#fromMl = 0;
	#past: Moment[] = [];
	#owed = 0;
	#streaming = false;

	constructor(random: Random, method: Method, which: 0 | 1, around: Surroundings, equivalentMl: number) {
		this.#random = random;
		this.around = around;
		this.vial = vialOf(method, which, equivalentMl);
		this.changeMl = titrantToShow(this.vial, FULL_CHANGE);
		this.state = freshVial(this.vial);
		const meter = titrationsOf(method)[which]!.meter;
		// What may be added at once is in it already: nobody learns from the first fifty drops.
		const head = meter.kind === 'syringe' ? meter.headStartMl : 0;
		if (head > 0) this.startAt(Math.min(head, this.changeMl - 6 * this.vial.dropMl));
	}

	/** Begins with so much of it in the vial, mixed. */
	startAt(ml: number): void {
		const from = Math.max(0, ml);
		this.#fromMl = from;
		const state = { ...freshVial(this.vial), addedMl: from };
		this.state = { ...state, share: restingShare(this.vial, from) };
		this.drops = Math.round(from / this.vial.dropMl);
	}

	/** The same vial once more, for somebody who has not seen it. */
	again(): void {
		this.startAt(this.#fromMl);
		this.seconds = 0;
		this.lastDropMl = 0;
		this.falling = null;
		this.#past = [];
		this.stream(false);
	}

	get sight(): VialSight {
		return sightOf(this.vial, this.state, this.around);
	}
	/** How far from the change it stands, drops; half the last one taken off, as at the bench. */
	get errorDrops(): number {
		return (this.state.addedMl - this.lastDropMl / 2 - this.changeMl) / this.vial.dropMl;
	}

	/** A whole drop lets go. */
	drop(): void {
		this.#add(this.vial.dropMl * Math.max(0.6, normalDeviate(this.#random, 1, DROP_SD)), 1);
	}
	#add(ml: number, drops: number): void {
		this.#past = [...this.#past.filter((m) => m.atS > this.seconds - 2 * BACK_S), this.#moment()];
		this.state = withDrop(this.state, ml);
		this.lastDropMl = ml;
		this.drops += drops;
		this.falling = 0;
	}
	/** What hangs at the tip is touched off at the glass: half a drop, for the last step before the change. */
	halfDrop(): void {
		this.#add(HALF * this.vial.dropMl, HALF);
	}
	/** Held: a stream, faster than anybody sees. */
	stream(on: boolean): void {
		this.#streaming = on;
		this.#owed = 0;
	}
	/** The last two seconds did not happen: for a press that was not meant. */
	takeBack(): void {
		const before = this.#past.find((m) => m.atS >= this.seconds - BACK_S);
		if (!before) return;
		this.state = before.state;
		this.drops = before.drops;
		this.lastDropMl = before.lastDropMl;
		this.#past = this.#past.filter((m) => m.atS < before.atS);
		this.falling = null;
	}

	/** Time goes on. */
	pass(seconds: number): void {
		let left = Math.min(LONGEST_S, seconds);
		this.seconds += left;
		if (this.#streaming) {
			this.#owed += left * STREAM_PER_S;
			while (this.#owed >= 1) {
				this.#owed -= 1;
				this.drop();
			}
		}
		if (this.falling !== null) {
			const further = this.falling + left / FALL_S;
			this.falling = further >= 1 ? null : further;
		}
		while (left > 0) {
			const step = Math.min(STEP_S, left);
			this.state = afterTime(this.vial, this.state, step, true);
			left -= step;
		}
	}

	#moment(): Moment {
		const { seconds: atS, state, drops, lastDropMl } = this;
		return { atS, state, drops, lastDropMl };
	}
}
