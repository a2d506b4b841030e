import {
	changesFor,
	RAISED,
	supplementFor,
	type CoursePoint,
	type PlanRequest,
	type RaisedParameter,
	type Repair
} from '../../correction/index.ts';
import type { ParameterId } from '../../quantity/index.ts';
import { addDays, type Instant } from '../../time/index.ts';
import { knownLevel } from '../water/index.ts';
import { makePlan } from './make-plan.ts';
import type { PlanBase } from './plan-base.ts';
import { newWaterOf } from './plan-of-changes.ts';
import type { SeenPlan } from './plan-types.ts';

/** Where a value is to be, and how a plan brings it there; canonical unit. */
export interface WayAhead {
	readonly parameter: ParameterId;
	readonly aim: number;
	/** Of its first day; before now where it runs already. */
	readonly startsAt: Instant;
	readonly points: readonly CoursePoint[];
	/** When it is there; null where the plan ends before. */
	readonly thereAt: Instant | null;
	/** Read since it began. */
	readonly readings: readonly { readonly at: Instant; readonly value: number; readonly u: number }[];
}

type Aims = Readonly<Partial<Record<ParameterId, number>>>;

/** A tenth of the water once a week is what most keepers change (convention). */
const USUAL_CHANGE = { share: 0.1, everyDays: 7, most: 12 } as const;
/** There, but for this part of the way: nobody reads the rest. */
const THERE = 0.05;

const isRaised = (parameter: ParameterId): parameter is RaisedParameter =>
	(RAISED as readonly ParameterId[]).includes(parameter);

/** Water changes that bring a value down, a tenth a week with the newest batch. */
function usualChanges(base: PlanBase, parameter: ParameterId, aim: number | undefined): PlanRequest | null {
	const { judged, batches } = base;
	const litres = judged.water.netVolumeL;
	const batch = batches[0]?.name ?? '';
	const from = knownLevel(judged, parameter)?.value;
	const into = newWaterOf(batches, batch)[parameter];
	if (litres === null || from === undefined || into === undefined || aim === undefined) return null;
	if (!(into < aim && aim < from)) return null;
	const { count } = changesFor(from, aim, into, USUAL_CHANGE.share);
	return {
		kind: 'changes',
		litres: Math.round(litres * USUAL_CHANGE.share),
		count: Math.min(USUAL_CHANGE.most, count),
		everyDays: USUAL_CHANGE.everyDays,
		batch
	};
}

/** What is usually planned for a repair; null where it takes no doses and no changes. */
function usualRequest(base: PlanBase, repair: Repair, aims: Aims): PlanRequest | null {
	switch (repair.kind) {
		case 'raise': {
			const goals = repair.parameters.flatMap((parameter) => {
				const aim = aims[parameter];
				if (aim === undefined || !isRaised(parameter)) return [];
				return [{ parameter, aim, supplementId: supplementFor(parameter, base.supplements, null) }];
			});
			return goals.length > 0 ? { kind: 'doses', goals, volumeKnown: false } : null;
		}
		case 'salinity':
			return aims.salinity === undefined
				? null
				: { kind: 'salinity', aim: aims.salinity, volumeKnown: false };
		case 'lower':
			return usualChanges(base, repair.parameter, aims[repair.parameter]);
		case 'water-change': {
			const [first] = repair.parameters;
			return first ? usualChanges(base, first, aims[first]) : null;
		}
		default:
			return null;
	}
}

function wayOf(
	parameter: ParameterId,
	aim: number,
	{ startsAt, points }: { readonly startsAt: Instant; readonly points: readonly CoursePoint[] }
): WayAhead {
	const from = points[0]?.value ?? aim;
	const left = (value: number) => (from <= aim ? aim - value : value - aim);
	const there = points.find((p) => left(p.value) <= THERE * Math.abs(aim - from));
	return {
		parameter,
		aim,
		startsAt,
		points,
		thereAt: there ? addDays(startsAt, there.day) : null,
		readings: []
	};
}

/**
 * How the values of a repair would go by the usual plan for it, or go by the one that runs.
 *
 * @param running the plan for it that is under way, where there is one
 */
export function waysAhead(
	base: PlanBase,
	repair: Repair,
	aims: Aims,
	running: SeenPlan | null
): readonly WayAhead[] {
	if (running) {
		return running.courses.flatMap(({ parameter, points }): WayAhead[] => {
			const goal = running.goals.find((g) => g.parameter === parameter);
			if (!goal || points.length < 2) return [];
			return [
				{
					...wayOf(parameter, goal.aim, { startsAt: running.startsAt, points }),
					readings: goal.readings
				}
			];
		});
	}
	const request = usualRequest(base, repair, aims);
	const made = request && makePlan(base, request);
	if (!made?.ok) return [];
	return made.value.plan.courses.flatMap(({ parameter, points }) => {
		const aim = aims[parameter];
		return aim === undefined || points.length < 2
			? []
			: [wayOf(parameter, aim, { startsAt: base.judged.now, points })];
	});
}
