import type { Supplement } from '../dose/supplement.ts';
import {
	balanceOf,
	dailyStep,
	heldByChanges,
	limewaterDose,
	reactorDose,
	reactorFlow,
	saltCreep,
	tunedDose,
	type Balance,
	type DailyStep,
	type DailyUse,
	type School,
	type TunedDose
} from '../dose/daily-dose.ts';
import type { Known } from '../water-state.ts';
import type { DayLimit } from './change.ts';

export const TUNED = ['alkalinity', 'calcium'] as const;
export type Tuned = (typeof TUNED)[number];

/** All that a daily dose is reckoned from, as plain data that a worker takes; canonical units. */
export interface DailyGiven {
	readonly use: DailyUse;
	readonly volumeL: Known;
	/** What is believed of the water now; null where it was not read. */
	readonly levels: Readonly<Record<Tuned, Known | null>>;
	readonly salinity: Known | null;
	/** What runs brings so much a day. */
	readonly brought: Readonly<Record<Tuned, number>>;
	readonly limits: Readonly<Record<Tuned, DayLimit>>;
}

export interface DailyWish {
	readonly school: School;
	/** What each is raised with. */
	readonly with: Readonly<Record<Tuned, Supplement>>;
	/** What evaporates a day, L. */
	readonly evaporatesL: number;
	/** Alkalinity of what leaves a reactor, dKH, and how fast it flows now, mL a minute. */
	readonly effluentDkh: number;
	readonly flowMlPerMinute: number;
	/** Of the water, 0 to 1, every so many days. */
	readonly changeShare: number;
	readonly everyDays: number;
	/** Alkalinity of new water, dKH. */
	readonly freshDkh: number;
}

/** Where a level goes while a dose runs, canonical unit. */
export interface LevelAhead {
	readonly parameter: Tuned;
	readonly days: readonly { readonly day: number; readonly asIs: Known; readonly then: Known }[];
}

export interface DailyReckoned {
	/** What runs, in proportion; null where nothing does. */
	readonly balance: { readonly balance: Balance; readonly calciumPerMonth: number } | null;
	readonly creep: { readonly perMonth: number; readonly exchangeLPerMonth: number } | null;
	readonly doses: readonly {
		readonly parameter: Tuned;
		/** What makes up for the use. */
		readonly asked: TunedDose;
		/** What is set now, which is a step towards it. */
		readonly now: TunedDose;
		readonly step: DailyStep;
	}[];
	readonly lime: ReturnType<typeof limewaterDose>;
	/** Null where its effluent is no richer than the water, or that was not read. */
	readonly reactor: {
		readonly needsMlPerMinute: number;
		readonly brings: ReturnType<typeof reactorDose>;
	} | null;
	readonly changes: ReturnType<typeof heldByChanges>;
	readonly ahead: readonly LevelAhead[];
}

const AHEAD_DAYS = 14;
/** Where nobody read it, as warm as most reefs; it moves the residue of salt by less than a hundredth. */
const USUAL_SALINITY = 35;
const USUAL_TEMPERATURE_C = 25;

/** The level while doses bring so much a day and so much is used, with what both leave open. */
function aheadOf(parameter: Tuned, given: DailyGiven, then: number): LevelAhead | null {
	const level = given.levels[parameter];
	if (!level) return null;
	const use = given.use[parameter];
	const at = (brought: number, day: number): Known => ({
		value: Math.max(0, level.value + day * (brought - use.value)),
		u: Math.hypot(level.u, day * use.u)
	});
	return {
		parameter,
		days: Array.from({ length: AHEAD_DAYS + 1 }, (_, day) => ({
			day,
			asIs: at(given.brought[parameter], day),
			then: at(then, day)
		}))
	};
}

/** A daily dose by every school at once, with what it does to the water. */
export function reckonDaily(given: DailyGiven, wish: DailyWish): DailyReckoned {
	const { use, volumeL, brought, limits, levels, salinity } = given;
	const doses = TUNED.map((parameter) => {
		const supplement = wish.with[parameter];
		const step = dailyStep(brought[parameter], use[parameter], limits[parameter]);
		return {
			parameter,
			step,
			asked: tunedDose(supplement, parameter, use[parameter], volumeL),
			now: tunedDose(supplement, parameter, { value: step.risePerDay, u: use[parameter].u }, volumeL)
		};
	});
	const isDosed = brought.alkalinity > 0 || brought.calcium > 0;
	const creep =
		brought.alkalinity > 0
			? saltCreep(brought.alkalinity, {
					volumeL: volumeL.value,
					salinity: salinity?.value ?? USUAL_SALINITY,
					temperatureC: USUAL_TEMPERATURE_C,
					aim: USUAL_SALINITY
				})
			: null;
	const tankDkh = levels.alkalinity?.value ?? null;
	const isRicher = tankDkh !== null && wish.effluentDkh > tankDkh;
	return {
		balance: isDosed ? balanceOf(brought.alkalinity, brought.calcium) : null,
		creep: creep?.told ? creep : null,
		doses,
		lime: limewaterDose(use, volumeL.value, wish.evaporatesL),
		reactor: isRicher
			? {
					needsMlPerMinute: reactorFlow(use.alkalinity.value, wish.effluentDkh, tankDkh, volumeL.value),
					brings: reactorDose(wish.effluentDkh, tankDkh, wish.flowMlPerMinute, volumeL.value)
				}
			: null,
		changes: heldByChanges(
			Math.max(0, use.alkalinity.value),
			wish.freshDkh,
			wish.changeShare,
			Math.max(1, wish.everyDays)
		),
		ahead: doses.flatMap(({ parameter, step }) => aheadOf(parameter, given, step.risePerDay) ?? [])
	};
}
