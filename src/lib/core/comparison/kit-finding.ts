import {
	PLAUSIBLE_FACTOR,
	standardFactor,
	standardLine,
	type KitCorrection,
	type StandardReading
} from '../method/index.ts';
import type { ParameterId } from '../quantity/index.ts';
import { pointOf, type TestResult } from '../reading/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { repeatRange } from './replicates.ts';
import { standardCheck, type StandardCheck } from './standard-check.ts';

/** One standard with everything that the kit read of it. */
export interface StandardTried {
	/** What it holds, canonical unit, with its standard uncertainty. */
	readonly holds: { readonly value: number; readonly u: number };
	/** As the kit says it, no correction applied. */
	readonly readings: readonly TestResult[];
}

export interface StandardFound extends StandardCheck {
	readonly holds: { readonly value: number; readonly u: number };
	/** Standard uncertainty of the mean of what was read. */
	readonly uMean: number;
	readonly readings: number;
	/** False where repeats differ by more than such readings may. */
	readonly repeatsAgree: boolean;
}

/** In order as far as such readings can show; off; or so far off that it is not to be used until it is explained. */
export type KitState = 'in-order' | 'off' | 'far-off';

export interface KitFinding {
	readonly parameter: ParameterId;
	/** One or more, the lowest first. */
	readonly standards: readonly StandardFound[];
	readonly state: KitState;
	/** What would put later readings right; null where the check itself has to be repeated first. */
	readonly correction: KitCorrection | null;
	readonly obstacle: 'repeats-apart' | 'implausible' | 'standards-alike' | null;
}

/** What is off about a kit: strengths and volumes scale what is read, zeros of instruments move it. */
function errorKindOf(parameter: ParameterId): 'factor' | 'offset' {
	return parameter === 'ph' || parameter === 'salinity' || parameter === 'temperature' ? 'offset' : 'factor';
}

function found({ holds, readings }: StandardTried): Result<StandardFound> {
	const values: number[] = [];
	let uSingle = 0;
	let spaced = false;
	for (const reading of readings) {
		const point = pointOf(reading);
		if (!point) return fail('standard-beyond-kit', 'readings');
		values.push(point.value);
		uSingle = Math.max(uSingle, point.uRandom);
		spaced ||= reading.kind === 'interval';
	}
	if (values.length === 0) return fail('no-check-reading', 'readings');
	const n = values.length;
	// The same colour matched twice says nothing new: steps are not averaged down.
	const counts = spaced ? 1 : n;
	const check = standardCheck(values, holds, uSingle * Math.sqrt(n / counts));
	const within = readings.every(
		(r) => r.kind === 'interval' && holds.value >= r.lower && holds.value <= r.upper
	);
	return ok({
		...check,
		// A step that holds the standard's value could not have been read better.
		...(spaced && within ? { agreement: 'agree' as const } : {}),
		holds,
		readings: n,
		uMean: uSingle / Math.sqrt(counts),
		repeatsAgree: spaced || n < 2 || n > 4 || repeatRange(values, uSingle).acceptable
	});
}

const asReading = ({ mean, uMean, holds }: StandardFound): StandardReading => ({
	reading: mean,
	uReading: uMean,
	value: holds.value,
	uValue: holds.u
});

const isPlausible = (factor: number) => factor >= PLAUSIBLE_FACTOR.least && factor <= PLAUSIBLE_FACTOR.most;

type Remedy = Pick<KitFinding, 'correction' | 'obstacle'>;

function byOne(standard: StandardFound, kind: 'factor' | 'offset'): Remedy {
	const { holds, mean, uMean } = standard;
	if (kind === 'offset') {
		const correction = { kind, offset: holds.value - mean, u: Math.hypot(holds.u, uMean) };
		return { correction, obstacle: null };
	}
	const plausible = standardFactor(holds.value, mean);
	const factor = holds.value / mean;
	// A single odd reading is no ground for so large a factor; read alike again, it is what the kit does.
	if (!plausible.ok && (standard.readings < 2 || !(mean > 0))) {
		return { correction: null, obstacle: 'implausible' };
	}
	const relativeU = Math.hypot(holds.u / holds.value, uMean / mean);
	return { correction: { kind, factor, relativeU }, obstacle: null };
}

function byTwo(low: StandardFound, high: StandardFound): Remedy {
	const line = standardLine(asReading(low), asReading(high));
	if (!line.ok) return { correction: null, obstacle: 'standards-alike' };
	const repeated = low.readings > 1 && high.readings > 1;
	if (!(line.value.slope > 0) || (!isPlausible(line.value.slope) && !repeated)) {
		return { correction: null, obstacle: 'implausible' };
	}
	return { correction: { kind: 'line', low: asReading(low), high: asReading(high) }, obstacle: null };
}

/**
 * What a check on standards tells of a kit: of one f = C/R or an offset C − R, of more the line through the lowest and the
 * highest, all of them being held against what they hold.
 *
 * @param tried one standard or more, each read at least once
 * @returns fails where a reading was only a bound, since a bound has no distance from anything
 * @see JCGM 100:2008, 5.1.2 for u(f)/f = √[(u(C)/C)² + (u(R)/R)²]
 */
export function kitFinding(parameter: ParameterId, tried: readonly StandardTried[]): Result<KitFinding> {
	const standards: StandardFound[] = [];
	for (const standard of tried) {
		const one = found(standard);
		if (!one.ok) return one;
		standards.push(one.value);
	}
	standards.sort((a, b) => a.holds.value - b.holds.value);
	const low = standards[0];
	const high = standards.length > 1 ? standards.at(-1) : undefined;
	if (!low) return fail('no-check-reading', 'readings');
	const worst = standards.find((s) => s.agreement === 'disagree')
		? 'far-off'
		: standards.some((s) => s.agreement === 'questionable')
			? 'off'
			: 'in-order';
	const remedy: Remedy = standards.some((s) => !s.repeatsAgree)
		? { correction: null, obstacle: 'repeats-apart' }
		: high
			? byTwo(low, high)
			: low.holds.value === 0
				? { correction: { kind: 'offset', offset: -low.mean, u: low.uBias }, obstacle: null }
				: byOne(low, errorKindOf(parameter));
	return ok({ parameter, standards, state: worst, ...remedy });
}
