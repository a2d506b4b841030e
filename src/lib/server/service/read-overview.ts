import type { BoardWater } from '$lib/contract/board';
import type { WaterLine } from '$lib/contract/today';
import { isDue, pressing, worstOf } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import { addDays, civilDate, instantOfLocal, type Instant } from '$lib/core/time';
import type { Person } from '../repository/people.ts';
import { scopesOfPerson } from '../repository/scope.ts';
import { waterAt, watersOf } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { judgeWater, type JudgedWater } from './judge-water.ts';
import { withMatters } from './read-today.ts';

/** A water with nothing to it is told after those that wait for a test. */
const DUE_WEIGHT = 1;

/** One line for each water that a person may see, the worst first. */
export async function readOverview(
	deps: Deps,
	person: Person
): Promise<readonly (WaterLine & { readonly judged: JudgedWater })[]> {
	const now = deps.clock.now();
	const lines: (WaterLine & { readonly judged: JudgedWater })[] = [];
	for (const scope of await scopesOfPerson(deps.db, person.id, now)) {
		const endOfDay = instantOfLocal(`${civilDate(now, scope.timeZone)}T23:59`, scope.timeZone);
		for (const { id } of await watersOf(deps.db, scope)) {
			const water = await waterAt(deps.db, scope, id, now);
			if (!water) continue;
			const judged = await judgeWater(deps, scope, water);
			const matters = await withMatters(deps, scope, judged);
			const { shown } = pressing(matters);
			const due = judged.due.filter((d) => isDue(d, endOfDay));
			lines.push({
				id,
				name: water.name,
				site: scope.siteName,
				stage: judged.stage,
				worst: shown[0] ?? null,
				others: Math.max(0, matters.length - 1),
				due: due.map((d) => d.parameter),
				lastReadAt: judged.lastReadAt,
				weight: worstOf(matters) + (due.length > 0 ? DUE_WEIGHT : 0),
				judged
			});
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
	return lines
		.filter(({ judged }) => judged.water.kind === 'tank')
		.map(({ judged, ...line }) => {
			const { now, rows, estimates } = judged;
			const at = (parameter: ParameterId, time: Instant) => {
				const estimate = estimates.of(parameter);
				if (!estimate || time < estimate.from) return null;
				const { value, uRandom, uCommon } = estimate.at(time);
				return { value, u: Math.hypot(uRandom, uCommon) };
			};
			return {
				...line,
				cells: rows.flatMap(({ parameter, estimate, last }) => {
					const present = estimate && at(parameter, now);
					if (!present || last.at < addDays(now, -BOARD_DAYS)) return [];
					return [
						{
							parameter,
							now: present,
							weekAgo: at(parameter, addDays(now, -WEEK_DAYS)),
							verdict: estimate.verdict,
							readAt: last.at
						}
					];
				})
			};
		});
}
