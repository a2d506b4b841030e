import {
	planDoses,
	strengthOf,
	type DosePlan,
	type Goal,
	type Known,
	type PlanGiven,
	type RaisedParameter,
	type Supplement,
	type WaterNow
} from '../../src/lib/core/correction/index.ts';
import {
	PARAMETERS,
	PARAMETER_IDS,
	type ParameterId,
	type UnitId
} from '../../src/lib/core/quantity/index.ts';
import type { TestResult } from '../../src/lib/core/reading/index.ts';
import { addDays, instant } from '../../src/lib/core/time/index.ts';
import { estimateOne, type Observation } from '../../src/lib/core/trend/index.ts';
import { amountWords, refusalWords, REMARKS } from '../../src/lib/format/adjust/adjust.ts';

export const UNITS = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].canonicalUnit])) as Record<
	ParameterId,
	UnitId
>;

export const known = (value: number, u: number): Known => ({ value, u });

/** A reef of 540 L, read throughout, with animals. */
export const REEF: WaterNow = {
	volumeL: known(540, 21.6),
	fresh: false,
	animals: true,
	levels: {
		alkalinity: known(7, 0.1),
		calcium: known(420, 6),
		magnesium: known(1300, 20),
		potassium: known(395, 6),
		nitrate: known(6, 1),
		phosphate: known(0.05, 0.01),
		salinity: known(35, 0.3),
		temperature: known(25, 0.2),
		ph: known(8.15, 0.05)
	}
};
/** Soft fresh water of 100 L with next to no buffer. */
export const SOFT: WaterNow = {
	volumeL: known(100, 4),
	fresh: true,
	animals: true,
	levels: { alkalinity: known(0.6, 0.1), ph: known(7, 0.1), temperature: known(24, 0.2) }
};
export const withLevels = (water: WaterNow, levels: WaterNow['levels']): WaterNow => ({
	...water,
	levels: { ...water.levels, ...levels }
});
export function without(water: WaterNow, parameter: ParameterId): WaterNow {
	const { [parameter]: _gone, ...levels } = water.levels;
	return { ...water, levels };
}

export const salt = (compound: Extract<Supplement, { kind: 'salt' }>['compound']): Supplement => ({
	kind: 'salt',
	compound,
	purity: 1
});
export const product = (
	parameter: RaisedParameter,
	risePer100L: number,
	form: Extract<Supplement, { kind: 'product' }>['form'] = 'carbonate'
): Supplement => ({
	kind: 'product',
	unit: 'ml',
	strength: [{ parameter, risePer100L }],
	form,
	from: 'label',
	relativeU: 0.1
});

export const LIMITS = {
	alkalinity: 0.5,
	calcium: 20,
	magnesium: 50,
	potassium: 10,
	nitrate: 2,
	phosphate: 0.02
} as const;

export const goal = (
	parameter: RaisedParameter,
	aim: number,
	supplement: Supplement,
	over: Partial<Goal> & { readonly water?: WaterNow } = {}
): Goal => ({
	parameter,
	from: (over.water ?? REEF).levels[parameter]!,
	aim,
	drift: known(0, 0.02 * LIMITS[parameter]),
	readingU: (over.water ?? REEF).levels[parameter]!.u,
	supplementId: 'it',
	supplement,
	...over
});

export const plan = (goals: readonly Goal[], over: Partial<PlanGiven> = {}): DosePlan =>
	planDoses({
		water: REEF,
		goals,
		limits: LIMITS,
		surprising: [],
		dosed: {},
		besides: {},
		givenToday: {},
		answers: {},
		looked: false,
		...over
	});

/** What a plan says, in the words of its page. */
export function saidBy(p: DosePlan): string {
	const said = p.refusals.map((r) => refusalWords(r, UNITS));
	for (const parameter of new Set(p.doses.map((d) => d.parameter))) {
		const own = p.doses.filter((d) => d.parameter === parameter);
		const first = own[0]!;
		const parts = first.portions > 1 ? `, in ${first.portions} parts` : '';
		said.push(
			`${PARAMETERS[parameter].name}: ${amountWords(Number(first.amount.toPrecision(3)), first.unit)} a day${parts} on ${own.length} ${own.length === 1 ? 'day' : 'days'}, the first on day ${first.day}.`
		);
	}
	for (const r of p.retunes) {
		const way = r.risePerDay > 0 ? 'more' : 'less';
		said.push(
			`The daily dose brings ${Number(Math.abs(r.risePerDay).toPrecision(2))} ${way} of ${r.parameter} a day.`
		);
	}
	const tests = [...new Set(p.tests.map((t) => t.day))];
	if (tests.length > 0) said.push(`Tests on day ${tests.join(', ')}.`);
	return [...said, ...p.remarks.map((r) => REMARKS[r])].join(' ');
}

/** The most that is added of a parameter on one day: doses, and what the daily dose is raised by. */
export function mostADay(p: DosePlan, parameter: RaisedParameter): number {
	const raised = p.retunes
		.filter((r) => r.parameter === parameter)
		.reduce((sum, r) => sum + Math.max(0, r.risePerDay), 0);
	const days = new Map<number, number>();
	for (const d of p.doses) {
		if (d.parameter === parameter) days.set(d.day, (days.get(d.day) ?? 0) + d.rise);
	}
	return raised + Math.max(0, ...days.values());
}

const START = instant(1_750_000_000_000);
export const value = (parameter: ParameterId, v: number, uRandom: number): TestResult => ({
	kind: 'value',
	parameter,
	unit: PARAMETERS[parameter].canonicalUnit,
	value: v,
	uRandom,
	uCommon: 0
});
export const bound = (parameter: ParameterId, sense: '<' | '>', limit: number): TestResult => ({
	kind: 'bound',
	parameter,
	unit: PARAMETERS[parameter].canonicalUnit,
	sense,
	limit
});

/** What is made of readings on some days, the last of them now. */
export function lived(readings: readonly (readonly [day: number, result: TestResult])[], dosedPerDay = 0) {
	const [, first] = readings[0]!;
	const last = readings.at(-1)![0];
	const observations: Observation[] = readings.map(([day, result]) => ({
		id: String(day),
		at: addDays(START, day),
		kit: 'a kit',
		result
	}));
	const now = addDays(START, last);
	const inputs =
		dosedPerDay === 0
			? []
			: [
					{
						kind: 'flow' as const,
						from: addDays(START, -30),
						to: addDays(START, last + 60),
						perDay: dosedPerDay,
						relativeU: 0.1
					}
				];
	const estimate = estimateOne({ parameter: first.parameter, observations, inputs }, now)!;
	return { estimate, now, level: estimate.at(now) };
}
export const calm = (parameter: ParameterId, level: number, u: number, days: readonly number[]) =>
	days.map((d, i) => [d, value(parameter, level + (i % 2 ? u : -u) / 2, u)] as const);

export { strengthOf };
