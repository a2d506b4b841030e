import type { ParameterId } from '../../quantity/index.ts';
import { boundsOf, plausibleRangeOf, pointOf, type TestResult } from '../../reading/index.ts';
import { atReferenceSalinity, referenceIon } from '../../seawater/index.ts';
import { addDays, daysBetween, type Instant } from '../../time/index.ts';
import { standardUncertaintyOf } from '../../uncertainty/index.ts';
import { againstBand, aimOf, boundAgainstBand, type Band } from '../band.ts';
import { runOnOneSide } from '../run-of-side.ts';
import type { FactName, Facts } from './facts.ts';
import type { DatedReading, ReadingsOf } from './readings-in-time.ts';

/** What the facts of a water are taken from. */
export interface FactsGiven {
	readonly at: Instant;
	/** In the order of time, none after `at`. */
	readonly readingsOf: ReadingsOf;
	readonly bandOf: (parameter: ParameterId) => Band | null;
	readonly mediumRuns: boolean;
	/** Water changes, newest last. */
	readonly changes: readonly Instant[];
	readonly fresh: boolean;
	readonly cycling: boolean;
	readonly animals: boolean;
	/** New salt water that waits to be used. */
	readonly newMix: boolean;
	/** Whether the lights were on; null where nobody knows when they are. */
	readonly litAt: ((at: Instant) => boolean) | null;
	/** Standard deviations by which alkalinity and calcium part ways; null where they are not estimated together. */
	readonly departureZ: number | null;
}

/** Readings this near to each other are of one water. */
const TOGETHER_DAYS = 1.5;
/** A reading is "lately" for so long. */
const LATELY_DAYS = 14;
/** A fall of nitrate is looked for between readings at most so far apart. */
const FALL_DAYS = 4;
const IONS = ['calcium', 'magnesium', 'potassium'] as const;
const JUDGED = [...IONS, 'salinity', 'nitrate', 'alkalinity', 'ph'] as const;
/** Concentrations per litre are stated at this temperature, °C. */
const STATED_AT_C = 25;

const uOf = (p: { uRandom: number; uCommon: number }) => standardUncertaintyOf(p);

/** Nothing was found: the lowest colour, a bound below it, or a value that cannot be told from none. */
function isNone(result: TestResult): boolean {
	if (result.kind === 'bound') return result.sense === '<';
	if (result.kind === 'interval') return result.lower <= 0 && (result.best === null || result.best <= 0);
	return result.value <= uOf(result);
}

class Collected {
	readonly #given: FactsGiven;
	readonly facts: Partial<Record<FactName, number>> = {};

	constructor(given: FactsGiven) {
		this.#given = given;
	}
	of(parameter: ParameterId): readonly DatedReading[] {
		return this.#given.readingsOf(parameter);
	}
	last(parameter: ParameterId): DatedReading | null {
		return this.of(parameter).at(-1) ?? null;
	}
	set(name: FactName, value: number | boolean | null): void {
		if (value !== null) this.facts[name] = Number(value);
	}
	/** Salinity read about when something else was. */
	salinityAt(at: Instant) {
		const near = this.of('salinity').findLast((r) => Math.abs(daysBetween(r.at, at)) <= TOGETHER_DAYS);
		return near ? pointOf(near.result) : null;
	}
	chances(): void {
		const { bandOf } = this.#given;
		for (const parameter of JUDGED) {
			const reading = this.last(parameter);
			const point = reading && pointOf(reading.result);
			const band = bandOf(parameter);
			if (!reading || !band) continue;
			if (reading.result.kind === 'bound') {
				const { sense, limit } = reading.result;
				const told = boundAgainstBand(sense, limit, band);
				this.set(`${parameter}.below`, told && told.pBelow);
				this.set(`${parameter}.above`, told && told.pAbove);
			}
			if (!point || !(uOf(point) > 0)) continue;
			const { pBelow, pAbove } = againstBand(point.value, uOf(point), band);
			this.set(`${parameter}.below`, pBelow);
			this.set(`${parameter}.above`, pAbove);
			const ion = IONS.find((i) => i === parameter);
			const salinity = ion && this.salinityAt(reading.at);
			const brought = salinity ? atReferenceSalinity(point, salinity) : null;
			if (!ion || !brought) continue;
			const there = againstBand(brought.value, brought.u, band);
			this.set(`${ion}.s35.below`, there.pBelow);
			this.set(`${ion}.s35.above`, there.pAbove);
			if (ion === 'magnesium') this.set('magnesium.s35', brought.value);
		}
	}
	nutrients(): void {
		const { at } = this.#given;
		for (const parameter of ['nitrate', 'phosphate'] as const) {
			const readings = this.of(parameter);
			let zeros = 0;
			while (zeros < readings.length && isNone(readings[readings.length - 1 - zeros]!.result)) zeros++;
			if (readings.length > 0) this.set(`${parameter}.zeros`, zeros);
		}
		const nitrate = this.last('nitrate');
		if (nitrate) this.set('nitrate.days-since', daysBetween(nitrate.at, at));
	}
	/** Nitrate that fell with no water changed, and what nitrite there was at the time. */
	fall(): void {
		const [before, after] = this.of('nitrate').slice(-2);
		if (!before || !after || daysBetween(before.at, after.at) > FALL_DAYS) return;
		const [a, b] = [pointOf(before.result), pointOf(after.result)];
		const changed = this.#given.changes.some((c) => c > before.at && c < after.at);
		if (!a || !b || changed) return;
		const u = Math.hypot(a.uRandom, b.uRandom);
		if (!(u > 0)) return;
		this.set('nitrate.fall.z', (a.value - b.value) / u);
		const nitrite = this.of('nitrite').filter(
			(r) => r.at >= addDays(before.at, -TOGETHER_DAYS) && r.at <= addDays(after.at, TOGETHER_DAYS)
		);
		if (nitrite.length > 0) {
			this.set('nitrite.during-fall', Math.max(...nitrite.map((r) => boundsOf(r.result).lower)));
		}
	}
	nitrogen(): void {
		const { at } = this.#given;
		const ammonia = this.last('ammonia');
		const nitrite = this.last('nitrite');
		if (ammonia) {
			const days = daysBetween(ammonia.at, at);
			this.set('ammonia.days-since', days);
			if (days <= LATELY_DAYS && !isNone(ammonia.result)) {
				this.set('ammonia.most', boundsOf(ammonia.result).upper ?? boundsOf(ammonia.result).lower);
			}
		}
		if (nitrite && daysBetween(nitrite.at, at) <= LATELY_DAYS) {
			this.set('nitrite.clear', isNone(nitrite.result));
		}
	}
	acidity(): void {
		const { at, litAt } = this.#given;
		const lately = this.of('ph').filter((r) => daysBetween(r.at, at) <= LATELY_DAYS);
		this.set('ph.read-lately', lately.length > 0);
		if (litAt) {
			this.set('lights.known', 1);
			this.set(
				'ph.read-in-the-dark',
				lately.some((r) => !litAt(r.at))
			);
		}
		const last = lately.at(-1);
		if (last) this.set('ph.upper', plausibleRangeOf(last.result).upper);
	}
	salt(): void {
		const readings = this.of('salinity');
		const last = readings.at(-1);
		const points = readings.flatMap((r) => pointOf(r.result) ?? []);
		if (last) this.set('salinity', pointOf(last.result)?.value ?? null);
		const band = this.#given.bandOf('salinity');
		const aim = band && band.low !== null && band.high !== null ? aimOf(band) : null;
		const run = aim === null ? null : runOnOneSide(points, aim);
		if (run) this.set(`salinity.run.${run.side}`, run.count);
	}
	mix(): void {
		const magnesium = this.last('magnesium');
		const point = magnesium && pointOf(magnesium.result);
		const salinity = magnesium && this.salinityAt(magnesium.at);
		if (point && salinity && salinity.value >= 20 && salinity.value <= 42) {
			const natural = referenceIon('magnesium', salinity.value, STATED_AT_C).mgPerL;
			const u = Math.hypot(uOf(point), (natural * uOf(salinity)) / salinity.value);
			this.set('mix.magnesium.share', point.value / natural);
			this.set('mix.magnesium.z', (point.value - natural) / u);
		}
		for (const parameter of ['nitrate', 'phosphate'] as const) {
			const reading = this.last(parameter);
			if (reading) this.set(`mix.${parameter}.least`, boundsOf(reading.result).lower);
		}
	}
}

/** What is known of a water at one time, for the rules to be asked with. */
export function factsOf(given: FactsGiven): Facts {
	const collected = new Collected(given);
	if (given.newMix) {
		collected.mix();
		return collected.facts;
	}
	collected.set('fresh', given.fresh);
	collected.set('cycling', given.cycling);
	collected.set('animals', given.animals);
	collected.set('phosphate-medium.runs', given.mediumRuns);
	collected.set('departure.z', given.departureZ);
	collected.chances();
	collected.nutrients();
	collected.fall();
	collected.nitrogen();
	collected.acidity();
	if (!given.fresh) collected.salt();
	return collected.facts;
}
