import type { Instant } from '../time/index.ts';
import { findSteps } from './change-point.ts';
import type { ConsumptionChange, Doubt, History } from './estimate.ts';
import { prepare, readUntil, type HistoryItem, type Prepared } from './history-items.ts';
import type { WanderNoise } from './level-rate/index.ts';
import { sameData } from './same-data.ts';
import { TREND_SETTINGS } from './settings.ts';
import { weighSurprises, type OpenQuestion, type Weighed } from './surprise.ts';
import { fitWander, usualWander } from './wander.ts';

/** A parameter's history, ready for the last pass: its noise learned, odd readings weighed, steps let in. */
export interface Treated {
	readonly prepared: Prepared;
	readonly items: readonly HistoryItem[];
	readonly noise: WanderNoise;
	readonly doubts: readonly Doubt[];
	readonly changes: readonly ConsumptionChange[];
	readonly open: OpenQuestion | null;
	/** Most of what was read are bounds. */
	readonly mostlyBounds: boolean;
	readonly couldShowSteps: boolean;
}

/** With fewer readings a step cannot be told from the drift. */
const LEAST_FOR_STEPS = 8;
/** A step is about so large, as a share of the consumption, before anything is read. */
const USUAL_STEP = 0.6;

function isNothingNew({ observations, inputs }: Prepared, history: History, now: Instant): boolean {
	return sameData(observations, readUntil(history, now)) && sameData(inputs, history.inputs);
}

/**
 * @param before what was learned of the parameter earlier: it holds as long as nothing was read or done that it does not
 *   know of, and saves the work
 * @returns null without a reading up to now
 */
export function treat(history: History, now: Instant, before: Treated | null = null): Treated | null {
	if (before && isNothingNew(before.prepared, history, now)) return before;
	const prepared = prepare(history, now);
	if (!prepared) return null;
	const { observations, parameter } = prepared;
	const bounds = observations.filter((o) => o.result.kind === 'bound').length;
	const mostlyBounds = bounds > observations.length / 2;
	const noise = fitWander(prepared);
	const weighed = weighSurprises(prepared, noise);
	const couldShowSteps =
		TREND_SETTINGS[parameter].drifts && observations.length >= LEAST_FOR_STEPS && !mostlyBounds;
	const same = { prepared, mostlyBounds, couldShowSteps };
	const plain = { ...same, ...weighed, noise, changes: [] };
	if (!couldShowSteps) return plain;

	// A step is no jump of the level: it is looked for before jumps explain its readings away.
	const usual = usualWander(prepared, weighed.withoutWrong);
	const stepSd = Math.max(USUAL_STEP * usual.rate, prepared.usualU / 3);
	const { items, changes } = findSteps(prepared, weighed.withoutWrong, usual.noise, stepSd);
	if (changes.length === 0) return plain;
	const letIn = prepared.items === weighed.withoutWrong ? items : withOwn(items, weighed, prepared);
	// What the steps explain is no wander, and no surprise.
	const calmer = fitWander(prepared, letIn);
	return { ...same, ...weighSurprises(prepared, calmer, letIn), noise: calmer, changes };
}

/** The readings as they were made, with the steps let in: which of them are wrong is asked again. */
function withOwn(
	items: readonly HistoryItem[],
	{ withoutWrong }: Weighed,
	{ items: made }: Prepared
): readonly HistoryItem[] {
	const own = new Map(withoutWrong.map((item, i) => [item, made[i]!]));
	return items.map((item) => own.get(item) ?? item);
}
