import type { AdjustAnswer, RepairSeen } from '$lib/contract/adjust';
import { CONVENTIONS } from '$lib/core/caution';
import {
	isNeglected,
	NEGLECTED_ORDER,
	repairsFor,
	type HusbandryId,
	type Repair,
	type Standing
} from '$lib/core/correction';
import { isOutside } from '$lib/core/judgement';
import { planLines, runningPlans, waysAhead } from '$lib/core/judgement/plan';
import { knownLevel, type JudgedWater } from '$lib/core/judgement/water';
import type { ParameterId } from '$lib/core/quantity';
import { addDays } from '$lib/core/time';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from '../judgement/judged-water.ts';
import { planBase } from './plan/read-plan.ts';

/** A death in the last days asks for other things first. */
const DYING_DAYS = CONVENTIONS.dyingDays.value;

/** Where each judged parameter stands, as a correction asks. */
export function standingsOf(judged: JudgedWater): Standing[] {
	return judged.rows.flatMap((row): Standing[] => {
		const { parameter, band, estimate, single, atS35 } = row;
		const verdict = estimate?.verdict ?? single;
		const value = knownLevel(judged, parameter);
		if (!band || !verdict?.grade || !value) return [];
		const line = judged.estimates.of(parameter);
		return [
			{
				parameter,
				value,
				band: { low: band.low, high: band.high, aim: band.aim },
				grade: verdict.grade,
				side: verdict.side,
				asOutside: row.asOutside,
				atS35: atS35 ? { value: atS35.value, u: atS35.u } : null,
				surprising: line?.doubts.some((d) => !d.settled && d.at >= row.last.at) ?? false
			}
		];
	});
}

function parametersOf(repair: Repair): readonly ParameterId[] {
	switch (repair.kind) {
		case 'ammonia':
		case 'water-change':
		case 'raise':
			return repair.parameters;
		case 'warmth':
			return ['temperature'];
		case 'salinity':
			return ['salinity'];
		case 'acidity':
			return ['ph'];
		case 'lower':
		case 'nutrient':
		case 'leave':
			return [repair.parameter];
	}
}

function husbandryOf(repair: Repair): HusbandryId | null {
	switch (repair.kind) {
		case 'ammonia':
			return 'ammonia';
		case 'warmth':
			return `temperature-${repair.side}`;
		case 'acidity':
			return `ph-${repair.side}`;
		case 'nutrient':
			return `${repair.parameter}-${repair.side}`;
		default:
			return null;
	}
}

/** What a water asks to be corrected, in the order in which it is done, and the plans that run. */
export async function readAdjust(deps: Deps, scope: SiteScope, water: Water): Promise<AdjustAnswer> {
	const judged = await judgedWater(deps, scope, water);
	const standings = standingsOf(judged);
	const plans = planLines(judged);
	const running = runningPlans(judged);
	const base = await planBase(deps, scope, judged);
	const repairs = repairsFor(standings).map((repair): RepairSeen => {
		const parameters = parametersOf(repair);
		const planned = running.find((p) => p.goals.some((g) => parameters.includes(g.parameter))) ?? null;
		// Of what must only not be too little, its least is enough.
		const aims = Object.fromEntries(
			standings.flatMap(({ parameter, band }) => {
				const aim = band.aim ?? band.low ?? band.high;
				return aim === null ? [] : [[parameter, aim]];
			})
		);
		return {
			repair,
			values: parameters.flatMap((p) => {
				const s = standings.find((one) => one.parameter === p);
				return s
					? [
							{
								parameter: p,
								value: s.value.value,
								u: s.value.u,
								...s.band,
								surprising: s.surprising,
								onlyPossible: s.asOutside && !isOutside(s.grade)
							}
						]
					: [];
			}),
			husbandry: husbandryOf(repair),
			planned: planned !== null,
			ways: waysAhead(base, repair, aims, planned).filter((w) => parameters.includes(w.parameter))
		};
	});
	return {
		leftOut: judged.leftOut,
		judged: standings.length,
		repairs,
		neglected: isNeglected(standings, judged.stage) ? NEGLECTED_ORDER : null,
		leftAlone: judged.stage === 'neglected',
		plans,
		volumeL: water.netVolumeL,
		dying: judged.events.some((e) => e.kind === 'death' && e.happenedAt >= addDays(judged.now, -DYING_DAYS))
	};
}
