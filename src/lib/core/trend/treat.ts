import type { Instant } from '../time/index.ts';
import { findSteps } from './change-point.ts';
import type { ConsumptionChange, Doubt, History } from './estimate.ts';
import { prepare, type HistoryItem, type Prepared } from './history-items.ts';
import type { WanderNoise } from './level-rate/index.ts';
import { TREND_SETTINGS } from './settings.ts';
import { weighSurprises, type OpenQuestion } from './surprise.ts';
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
}

/** With fewer readings a step cannot be told from the drift. */
const LEAST_FOR_STEPS = 8;

/** @returns null without a reading up to now */
export function treat(history: History, now: Instant): Treated | null {
	const prepared = prepare(history, now);
	if (!prepared) return null;
	const { observations, parameter } = prepared;
	const bounds = observations.filter((o) => o.result.kind === 'bound').length;
	const mostlyBounds = bounds > observations.length / 2;
	let noise = fitWander(prepared);
	const { items, doubts, open } = weighSurprises(prepared, noise);
	let treated = items;
	let changes: readonly ConsumptionChange[] = [];
	if (TREND_SETTINGS[parameter].drifts && observations.length >= LEAST_FOR_STEPS && !mostlyBounds) {
		const usual = usualWander(prepared, items);
		const stepSd = Math.max(usual.rate, prepared.usualU / 3);
		const steps = findSteps(prepared, items, usual.noise, stepSd);
		if (steps.changes.length > 0) {
			treated = steps.items;
			changes = steps.changes;
			// What the steps explain is no wander.
			noise = fitWander(prepared, treated);
		}
	}
	return { prepared, items: treated, noise, doubts, changes, open, mostlyBounds };
}
