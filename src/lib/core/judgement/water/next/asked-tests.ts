import { CONVENTIONS } from '../../../caution/index.ts';
import { seenSteps, strangeMoves, type Lived } from '../../../correction/index.ts';
import type { ParameterId } from '../../../quantity/index.ts';
import { lastResultOf, type DatedResult } from '../../../record/index.ts';
import { addDays, civilDate, type Instant } from '../../../time/index.ts';
import type { WaterEstimate } from '../../../trend/index.ts';
import { isOutside, judgeResult, type AskedTest, type Band, type Verdict } from '../../index.ts';
import type { WaterRecord } from '../record.ts';
import type { ParameterToday } from '../row.ts';

/** A new setting of a daily dose is news for so long. */
const SET_LATELY_DAYS = 10;
/** A reading so soon after a setting does not tell of it yet. */
const TOO_SOON_DAYS = 0.5;
/** Settings that differ by less are the same. */
const SAME_DOSE = 0.02;
/** What moves as in no tank is read again within a day. */
const STRANGE_DAYS = 1;

/** What may harm is tested again at once; a test of the same hours would say the same. */
const DANGER_DAYS = 0.5;

/**
 * Outside, but only probably so, or by one reading alone: the one before does not say the same. Whoever is told to test
 * again before anything is corrected is asked for that test.
 */
export function isUnconfirmed(
	verdict: Verdict | null,
	own: readonly DatedResult[],
	band: Band | null
): boolean {
	if (!verdict || !isOutside(verdict.grade)) return false;
	if (verdict.grade === 'probably-outside') return true;
	const [before, last] = own.slice(-2).map((r) => judgeResult(r.result, band));
	const says = (one: Verdict | null | undefined) =>
		one != null && isOutside(one.grade) && one.side === verdict.side;
	return !(says(before) && says(last));
}

type Given = Lived &
	Pick<WaterRecord, 'timeZone' | 'results' | 'plans' | 'planned'> & {
		readonly estimates: WaterEstimate;
		readonly rows: readonly Pick<ParameterToday, 'parameter' | 'last' | 'asOutside'>[];
	};

const asTests = (parameters: readonly ParameterId[], at: Instant, kind: AskedTest['why']['kind']) =>
	parameters.map((parameter): AskedTest => ({ parameter, at, why: { kind } }));

/** The tests of corrections that run. */
function byPlans({ plans, ...given }: Given): AskedTest[] {
	return plans.flatMap(({ stored, notes }) => {
		const { state, steps } = seenSteps(stored, notes, given);
		if (state !== 'running') return [];
		return steps.flatMap(({ what, state: step, day }) =>
			what.kind === 'test' && step === 'open'
				? asTests(what.parameters, addDays(stored.startsAt, day), 'plan')
				: []
		);
	});
}

/** A daily dose that was set anew and has not been read since. */
function bySettings({ events, now, results }: Given): AskedTest[] {
	const before = new Map<string, number>();
	return events.flatMap((e) => {
		if (e.kind !== 'recurring-dose' || e.happenedAt > now) return [];
		const { supplement, amountMlPerDay, strength } = e.details;
		const last = before.get(supplement) ?? 0;
		before.set(supplement, amountMlPerDay);
		const same = Math.abs(amountMlPerDay - last) <= SAME_DOSE * Math.max(amountMlPerDay, last);
		if (same || e.happenedAt < addDays(now, -SET_LATELY_DAYS)) return [];
		const unread = strength
			.map((s) => s.parameter)
			.filter(
				(p) => !results.some((r) => r.result.parameter === p && r.at >= addDays(e.happenedAt, TOO_SOON_DAYS))
			);
		return asTests(unread, addDays(e.happenedAt, CONVENTIONS.retestDays.value), 'dose-set');
	});
}

function byMoves(given: Given): AskedTest[] {
	return strangeMoves(given).flatMap(({ parameter }) => {
		const last = lastResultOf(given.results, parameter);
		return last ? asTests([parameter], addDays(last.at, STRANGE_DAYS), 'strange') : [];
	});
}

/** What was planned for a day and has not been read on it, or since. */
function bySessions({ planned, results, timeZone }: Given): AskedTest[] {
	return planned.flatMap(({ parameter, at }) => {
		const day = civilDate(at, timeZone);
		const isRead = results.some(
			(r) => r.result.parameter === parameter && r.at >= addDays(at, -2) && civilDate(r.at, timeZone) >= day
		);
		return isRead ? [] : asTests([parameter], at, 'session');
	});
}

const byDangers = ({ rows }: Given): AskedTest[] =>
	rows.flatMap(({ parameter, last, asOutside }) =>
		asOutside ? asTests([parameter], addDays(last.at, DANGER_DAYS), 'danger') : []
	);

/** The tests that something asks for by a time: a danger, a correction, a new daily dose, a move as in no tank, a planned session. */
export function askedTests(given: Given): AskedTest[] {
	return [
		...byDangers(given),
		...byPlans(given),
		...bySettings(given),
		...byMoves(given),
		...bySessions(given)
	];
}
