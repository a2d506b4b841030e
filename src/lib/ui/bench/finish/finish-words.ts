import type { BenchAnswer, BenchContext } from '$lib/contract/bench';
import { dueTests, isOutside, type CadenceInput } from '$lib/core/judgement';
import { cleanUpActs, lastActs, type CleanUpAct, type LastAct } from '$lib/core/bench';
import { stepsFor, type Method } from '$lib/core/method';
import { convert, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { boundsOf, effectsOf, pointOf, type TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import { deviationWords, effectWords } from '$lib/format/bench/bench';
import { listed } from '../layout/layout-words';
import { clockTime, longDay, shortDay } from '$lib/format/date';
import { limitInUnit, resultInUnit } from '$lib/format/quantity';
import { boundSentence, verdictSentence } from '$lib/format/judgement/verdict';
import type { BenchSession, FinishedTest } from '$lib/ui/shared/bench-session';
import { judged } from '../read/measure';

/** One line of the summary. */
export interface SummaryRow {
	readonly key: string;
	readonly runId: string;
	readonly name: string;
	/** Empty where the session was about one water. */
	readonly water: string;
	readonly result: string;
	readonly verdict: string;
	/** Where it lies; null where there is no band to hold it against, or no number. */
	readonly place: ResultPlace | null;
	readonly unusual: readonly string[];
	readonly kit: string | null;
}

/** A result on its strip, in the unit that is shown. */
export interface ResultPlace {
	readonly band: { readonly low: number | null; readonly high: number | null };
	readonly value: number;
	readonly lower: number;
	readonly upper: number;
	readonly lowText: string;
	readonly highText: string;
	readonly isOutside: boolean;
}

function placeOf(result: TestResult, context: BenchContext | undefined, unit: UnitId): ResultPlace | null {
	const band = context?.band;
	const point = pointOf(result);
	if (!band || !point) return null;
	const { parameter } = result;
	const to = (x: number) => convert(x, PARAMETERS[parameter].canonicalUnit, unit);
	const bounds = boundsOf(result);
	const [one, other] = [to(bounds.lower), to(bounds.upper ?? point.value)];
	const text = (x: number | null) => (x === null ? '' : limitInUnit(parameter, x, unit));
	return {
		band: { low: band.low === null ? null : to(band.low), high: band.high === null ? null : to(band.high) },
		value: to(point.value),
		lower: Math.min(one, other),
		upper: Math.max(one, other),
		lowText: text(band.low),
		highText: text(band.high),
		isOutside: isOutside(judged(result, context)?.grade)
	};
}

/** So many of the next tests of each water are told, and those of what was just found outside, however late. */
const MOST_NEXT = 4;

type BenchOf = (waterId: string) => BenchAnswer | undefined;

/** What is known of a parameter before a test, whatever method reads it. */
const contextOf = (bench: BenchAnswer, parameter: ParameterId) =>
	bench.offers.find((o) => o.contexts[parameter])?.contexts[parameter];

function unusualOf({ draft, deviations }: FinishedTest): readonly string[] {
	const steps = stepsFor(draft.method, draft.portion);
	const found = effectsOf(draft.method, deviations).map(
		({ deviation, effect }) =>
			`${deviationWords(
				deviation,
				steps.find((s) => s.id === deviation.stepId)
			)} ${effectWords(effect)}`
	);
	return draft.note ? [...found, `Note: ${draft.note}`] : found;
}

/** Something was done so otherwise that its result tells nothing of the water. */
const isLost = ({ draft, deviations }: FinishedTest): boolean =>
	effectsOf(draft.method, deviations).some(({ effect }) => effect.repeat);

export function rowsOf(
	session: BenchSession,
	units: Readonly<Record<ParameterId, UnitId>>,
	benchOf: BenchOf
): readonly SummaryRow[] {
	const several = new Set(session.finished.map((f) => f.draft.waterId)).size > 1;
	return session.finished.flatMap((done): SummaryRow[] => {
		const { draft, results } = done;
		const bench = benchOf(draft.waterId);
		const common = {
			runId: draft.runId,
			water: draft.standard?.name ?? (several ? (bench?.waterName ?? '') : ''),
			kit: draft.kit?.name ?? null
		};
		if (!results) {
			const name = PARAMETERS[draft.method.parameter].name;
			return [
				{
					...common,
					key: draft.runId,
					name,
					result: 'given up',
					verdict: '',
					place: null,
					unusual: [],
					kit: null
				}
			];
		}
		const contexts = draft.standard
			? {}
			: (bench?.offers.find((o) => o.method.code === draft.method.code)?.contexts ?? {});
		return results.map((result) => {
			const context = contexts[result.parameter];
			const unit = units[result.parameter];
			const verdict = judged(result, context);
			const sentence =
				result.kind === 'bound'
					? boundSentence(result, context?.band ?? null, unit)
					: verdict
						? verdictSentence(result.parameter, verdict, unit)
						: '';
			return {
				...common,
				key: `${draft.runId}/${result.parameter}`,
				name: PARAMETERS[result.parameter].name,
				result: resultInUnit(result, unit),
				verdict: draft.standard ? 'A standard, not the water.' : isLost(done) ? 'Test again.' : sentence,
				place: placeOf(result, context, unit),
				unusual: unusualOf(done)
			};
		});
	});
}

/** What is to be done with what one test used, once its vial is free, as its method and the keeper's habits say. */
export function cleanUpOf(method: Method, unused: 'discard' | 'put-back'): readonly string[] {
	const words: Readonly<Record<CleanUpAct, string>> = {
		close: `close ${listed(method.reagents.map((r) => r.label))}.`,
		'collect-metal': 'collect the tested water in a bottle of its own; never down the drain.',
		'pour-away': 'pour the tested water away as the label and the local rules say, never into the tank.',
		titrant:
			unused === 'put-back'
				? 'unused titrant goes back into its own bottle where the leaflet allows it, and nowhere else; rinse its syringe and tip, and lay them back to it.'
				: 'unused titrant is waste, it touched the syringe; rinse syringe and tip, and lay them back to their reagent.',
		filter: 'throw the filter away with what it holds.',
		vial: 'rinse its vial and cap with purified water; let them dry upside down.',
		cuvette: 'wipe the cuvette dry with something soft.'
	};
	return cleanUpActs(method).map((act) => `${PARAMETERS[method.parameter].name}: ${words[act]}`);
}

const LAST_WORDS: Readonly<Record<LastAct, string>> = {
	scoops: 'Rinse the scoops with purified water; let them dry well.',
	'sample-syringes': 'Rinse the sample syringe with purified water; let it dry.',
	hands: 'Wash your hands.'
};

/** What is left to do at the end of these tests. */
export const cleanUpLast = (methods: readonly Method[]): readonly string[] =>
	lastActs(methods).map((act) => LAST_WORDS[act]);

/** Where the ticks of a session's clean-up are kept. */
export const cleanUpList = (session: Pick<BenchSession, 'id'>): string => `clean-up/${session.id}`;

/** The waters in which this session found something outside its band. */
export function outsideWaters(session: BenchSession, benchOf: BenchOf): readonly string[] {
	const found = session.finished.filter(({ draft, results }) => {
		const bench = draft.standard ? undefined : benchOf(draft.waterId);
		return bench && results?.some((r) => isOutside(judged(r, contextOf(bench, r.parameter))?.grade));
	});
	return [...new Set(found.map((f) => f.draft.waterId))];
}

/** When what was tested now is to be tested again, and what is due before that. */
export function nextWords(
	session: BenchSession,
	benchOf: BenchOf,
	now: Instant,
	timeZone: string
): readonly string[] {
	const waters = [...new Set(session.finished.filter((f) => !f.draft.standard).map((f) => f.draft.waterId))];
	return waters.flatMap((waterId) => {
		const bench = benchOf(waterId);
		if (!bench) return [];
		const read = session.finished.filter((f) => f.draft.waterId === waterId && f.results);
		const { cadence } = bench;
		const found = read.flatMap((f) =>
			f.results!.map((result) => ({ result, parameter: result.parameter, at: f.finishedAt }))
		);
		const isFresh = (p: ParameterId) =>
			found.some((r) => r.parameter === p && r.at > (cadence.lastAt[p] ?? 0));
		const fresh = found.filter((r) => isFresh(r.parameter));
		const outside = found.flatMap(({ result, parameter }) =>
			isOutside(judged(result, contextOf(bench, parameter))?.grade) ? [parameter] : []
		);
		// What the server has not reckoned with yet is told by the results themselves; all else as it stands on every page.
		const input: CadenceInput = {
			...cadence,
			now,
			doubtful: cadence.doubtful.filter((p) => !isFresh(p)),
			lastAt: { ...cadence.lastAt, ...Object.fromEntries(fresh.map((r) => [r.parameter, r.at])) },
			unconfirmed: [...cadence.unconfirmed.filter((p) => !isFresh(p)), ...outside.filter((p) => isFresh(p))],
			outlooks: Object.fromEntries(
				Object.entries(cadence.outlooks).filter(([p]) => !isFresh(p as ParameterId))
			)
		};
		const due = [...dueTests(input)].sort((a, b) => a.dueAt - b.dueAt);
		const prefix = waters.length > 1 ? `${bench.waterName}: ` : '';
		const shown = due.filter((d, i) => i < MOST_NEXT || outside.includes(d.parameter));
		return shown.map(({ parameter, dueAt }) => {
			const { name } = PARAMETERS[parameter];
			return `${prefix}${name} ${dueAt <= now ? 'now' : `on ${shortDay(dueAt, timeZone, now)}`}`;
		});
	});
}

/** The session to print or to send to somebody. */
export function summaryText(
	session: BenchSession,
	rows: readonly SummaryRow[],
	timeZone: string,
	now: Instant
): string {
	const at = session.startedAt ?? now;
	const minutes = Math.round((now - at) / 60_000);
	return [
		`Tested on ${longDay(at, timeZone)} at ${clockTime(at, timeZone)}, ${minutes} min.`,
		'',
		...rows.flatMap((row) => [
			`${row.name}${row.water ? ` (${row.water})` : ''}: ${row.result}. ${row.verdict}`.trim(),
			...row.unusual.map((u) => `  ${u}`)
		])
	].join('\n');
}
