import { PARAMETER_IDS, type ParameterId } from '../../quantity/index.ts';
import { bandAt, lastResultOf } from '../../record/index.ts';
import { addDays, type Instant } from '../../time/index.ts';
import type { WaterEstimate } from '../../trend/index.ts';
import {
	findingsOf,
	RULES,
	stageOf,
	type CadenceInput,
	type DueTest,
	type Finding,
	type FreeAmmonia,
	type RuleId,
	type StageId
} from '../index.ts';
import { freeOf } from './ammonia.ts';
import { cycleOf, type CycleToday } from './cycle.ts';
import { factsAt } from './facts.ts';
import { estimateOf } from './history.ts';
import { cadenceInput, testsDue } from './next/cadence-input.ts';
import { openPanels, type OpenPanel } from './panels.ts';
import type { LeftOut, WaterRecord } from './record.ts';
import { rowOf, type ParameterToday } from './row.ts';

/** A last reading is looked for this far back. */
const LOOK_BACK_DAYS = 120;

/** A water with all that is judged of it. */
export interface JudgedWater extends WaterRecord {
	readonly now: Instant;
	readonly estimates: WaterEstimate;
	readonly rows: readonly ParameterToday[];
	/** What is wanted and was not read for long. */
	readonly untested: readonly ParameterId[];
	readonly stage: StageId | null;
	readonly cycle: CycleToday | null;
	readonly findings: readonly Finding<RuleId>[];
	readonly free: FreeAmmonia | null;
	readonly panels: readonly OpenPanel[];
	readonly due: readonly DueTest[];
	/** What the next tests are asked for by. */
	readonly cadence: CadenceInput;
	readonly lastReadAt: Instant | null;
}

/** With the parameters of which no line could be drawn. */
function allLeftOut(leftOut: readonly LeftOut[], estimates: WaterEstimate): readonly LeftOut[] {
	const lines = estimates.leftOut.flatMap(({ id, parameter }) =>
		id === null ? [{ kind: 'line' as const, parameter }] : []
	);
	return lines.length > 0 ? [...leftOut, ...lines] : leftOut;
}

/**
 * Where a water stands at a time: estimates, verdicts, stage, cycle, findings, open panels and the tests that are due.
 *
 * @param estimates made by whoever keeps what was learned; without it all is learned from the record
 * @throws {RangeError | TypeError} where what is recorded cannot be reckoned with
 */
export function judgeWater(
	record: WaterRecord,
	now: Instant,
	estimates: WaterEstimate = estimateOf(record, now)
): JudgedWater {
	const { water, results, events, targets, settings } = record;
	const base = { ...record, now, estimates };
	const rows: ParameterToday[] = [];
	const untested: ParameterId[] = [];
	for (const parameter of PARAMETER_IDS) {
		const last = lastResultOf(results, parameter, addDays(now, -LOOK_BACK_DAYS));
		if (last) rows.push(rowOf(parameter, last, base));
		else if (bandAt(targets, parameter, now)) untested.push(parameter);
	}
	const cadence = cadenceInput({ ...base, rows });
	const lastReadAt = results.at(-1)?.at ?? null;
	const facts = factsAt(base, now, estimates.departure?.z ?? null);
	return {
		...base,
		rows,
		untested,
		stage:
			water.kind === 'tank' && water.endedAt === null
				? stageOf({
						profile: water.profile,
						startedAt: water.startedAt,
						now,
						// That nobody told of it before it was entered is no neglect.
						lastReadAt: lastReadAt ?? water.knownSince
					})
				: null,
		cycle: cycleOf(base),
		findings: findingsOf(RULES, facts, new Set(settings.rulesOff)),
		free: freeOf(water, results, now),
		panels: openPanels(events, results, new Set(cadence.usual), now),
		// Of one that was taken down nothing is asked.
		due: water.endedAt === null ? testsDue(water, cadence) : [],
		cadence,
		lastReadAt,
		leftOut: allLeftOut(record.leftOut, estimates)
	};
}
