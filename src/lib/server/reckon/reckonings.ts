import type { SiteScope } from '../repository/scope.ts';
import type { Water } from '../repository/water.ts';
import { readBench, readBenchSite } from '../service/bench/read-bench.ts';
import { previewPlan, readPlan } from '../service/correction/plan/read-plan.ts';
import { readAdjust } from '../service/correction/read-adjust.ts';
import { readChange } from '../service/correction/read-change.ts';
import { readDaily } from '../service/correction/read-daily.ts';
import type { Deps } from '../service/deps.ts';
import { readDay } from '../service/judgement/read-day.ts';
import { readFindings } from '../service/judgement/read-findings.ts';
import { readAround } from '../service/judgement/read-around.ts';
import { readPanel } from '../service/judgement/read-panel.ts';
import { readDoubt } from '../service/reading/read-doubt.ts';
import { compareKits, readShelf, readShelfThing } from '../service/shelf/read-shelf.ts';
import { readComparison } from '../service/trends/read-comparison.ts';
import { readTrends } from '../service/trends/read-trends.ts';

/**
 * What is reckoned away from the thread that answers, and kept: reading only, answered in plain data, and from nothing
 * but the records, the present moment and what was asked.
 */
export const RECKONINGS = {
	day: readDay,
	findings: readFindings,
	trends: readTrends,
	bench: readBench,
	benchSite: readBenchSite,
	adjust: readAdjust,
	preview: previewPlan,
	plan: readPlan,
	change: readChange,
	daily: readDaily,
	panel: readPanel,
	around: readAround,
	comparison: readComparison,
	doubt: readDoubt,
	shelf: readShelf,
	thing: readShelfThing,
	kits: compareKits
} satisfies Record<string, Reckoning>;

type Reckoning = (deps: Deps, scope: SiteScope, water: Water, ...asked: never[]) => Promise<unknown>;

export type ReckoningName = keyof typeof RECKONINGS;

export type AskedOf<N extends ReckoningName> = (typeof RECKONINGS)[N] extends (
	deps: Deps,
	scope: SiteScope,
	water: Water,
	...asked: infer A
) => Promise<unknown>
	? A
	: never;

export type AnswerOf<N extends ReckoningName> = Awaited<ReturnType<(typeof RECKONINGS)[N]>>;

/** What rests on one water and its site alone. All others are void with any change at any water of the site. */
const OF_ONE_WATER: ReadonlySet<ReckoningName> = new Set([
	'bench',
	'day',
	'findings',
	'trends',
	'daily',
	'doubt',
	'panel',
	'around'
]);

export function restsOnOneWater(name: ReckoningName): boolean {
	return OF_ONE_WATER.has(name);
}
