import type { BoardWater } from '$lib/contract/board';
import type { WaterLine } from '$lib/contract/today';
import { DANGER_WEIGHT, isDue, pressing, worstOf } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import { addDays, endOfDay, type Instant } from '$lib/core/time';
import type { Person } from '../repository/people.ts';
import { scopesOfPerson, type SiteScope } from '../repository/scope.ts';
import { waterAt, watersOf, type Water } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { judgeWater, type JudgedWater } from './judge-water.ts';
import { withMatters } from './read-today.ts';

/** A water with nothing to it is told after those that wait for a test. */
const DUE_WEIGHT = 1;
/** One that cannot be judged may hide anything: it stands among those in danger. */
const FAILED_WEIGHT = DANGER_WEIGHT;

/** A line with what it was judged from; null where it could not be judged. */
type Overseen = WaterLine & { readonly judged: JudgedWater | null };

async function lineOf(deps: Deps, scope: SiteScope, water: Water, end: Instant): Promise<Overseen> {
	const named = { id: water.id, name: water.name, site: scope.siteName };
	try {
		const judged = await judgeWater(deps, scope, water);
		const matters = await withMatters(deps, scope, judged);
		const { shown } = pressing(matters);
		const due = judged.due.filter((d) => isDue(d, end));
		return {
			...named,
			stage: judged.stage,
			worst: shown[0] ?? null,
			others: Math.max(0, matters.length - 1),
			due: due.map((d) => d.parameter),
			lastReadAt: judged.lastReadAt,
			leftOut: judged.leftOut.length,
			failed: false,
			weight: worstOf(matters) + (due.length > 0 ? DUE_WEIGHT : 0),
			judged
		};
	} catch (fault) {
		// That the records are away is no fault of this water.
		if (!(fault instanceof RangeError || fault instanceof TypeError)) throw fault;
		deps.report?.(fault, `water ${water.id}`);
		return {
			...named,
			stage: null,
			worst: null,
			others: 0,
			due: [],
			lastReadAt: null,
			leftOut: 0,
			failed: true,
			weight: FAILED_WEIGHT,
			judged: null
		};
	}
}

/** One line for each water that a person may see, the worst first. One that cannot be judged says so. */
export async function readOverview(deps: Deps, person: Person): Promise<readonly Overseen[]> {
	const now = deps.clock.now();
	const lines: Overseen[] = [];
	for (const scope of await scopesOfPerson(deps.db, person.id, now)) {
		const end = endOfDay(now, scope.timeZone);
		for (const { id } of await watersOf(deps.db, scope)) {
			const water = await waterAt(deps.db, scope, id, now);
			if (water) lines.push(await lineOf(deps, scope, water, end));
		}
	}
	return lines.sort((a, b) => b.weight - a.weight);
}

/** The lines alone, as Today begins with them. */
export async function readLines(deps: Deps, person: Person): Promise<readonly WaterLine[]> {
	return (await readOverview(deps, person)).map(({ judged: _, ...line }) => line);
}

const WEEK_DAYS = 7;
/** On a board stands what was read in this time. */
const BOARD_DAYS = 45;

/** Every tank with last week beside now, for a wall or a shop. */
export async function readBoard(deps: Deps, person: Person): Promise<readonly BoardWater[]> {
	const lines = await readOverview(deps, person);
	return lines.flatMap(({ judged, ...line }): BoardWater[] => {
		if (!judged) return [{ ...line, cells: [] }];
		if (judged.water.kind !== 'tank') return [];
		const { now, rows, estimates } = judged;
		const at = (parameter: ParameterId, time: Instant) => {
			const estimate = estimates.of(parameter);
			if (!estimate || time < estimate.from) return null;
			const { value, uRandom, uCommon } = estimate.at(time);
			return { value, u: Math.hypot(uRandom, uCommon) };
		};
		const cells = rows.flatMap(({ parameter, estimate, last }) => {
			const present = estimate && at(parameter, now);
			if (!present || last.at < addDays(now, -BOARD_DAYS)) return [];
			const weekAgo = at(parameter, addDays(now, -WEEK_DAYS));
			return [{ parameter, now: present, weekAgo, verdict: estimate.verdict, readAt: last.at }];
		});
		return [{ ...line, cells }];
	});
}
