import { setImmediate } from 'node:timers/promises';
import type { EyeSeen, ReaderSeen, StepsSeen, Tally, Used } from '$lib/contract/practice-view';
import { titrationsOf, type ColourMethod, type Method } from '$lib/core/method';
import {
	answersOn,
	endPointEye,
	eyeAtBench,
	LINES,
	linesKnown,
	NO_REAL_VIALS,
	ODD_QUESTIONS,
	ownEyeOf,
	pairsKnown,
	realReadings,
	saidScores,
	scaleEye,
	SCALES,
	subjectKey,
	triedEndPoints,
	usualEndPointU,
	USUAL_SCALE_U,
	whatNext,
	type Eye,
	type Practisable,
	type Subject,
	type Trial
} from '$lib/core/practice';
import type { ParameterId } from '$lib/core/quantity';
import { deriveWith, pointOf, type KnownKit, type KnownReader, type OwnEye } from '$lib/core/reading';
import { addDays, civilDate, type Instant } from '$lib/core/time';
import type { Reader } from '../../repository/database.ts';
import { adoptedMethods } from '../../repository/method.ts';
import {
	readerDecisions,
	saidOf,
	trialsOf,
	type DatedDecision,
	type DatedTrial
} from '../../repository/practice.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { readingsOfRuns } from '../../repository/test.ts';
import { usesOfMethods, type MethodUse } from '../../repository/practice-use.ts';
import { knownKit, partsOfRuns } from '../reading/run-kit.ts';
import { realVials } from './real-vials.ts';

export const isColour = (m: Method): m is ColourMethod => m.kind === 'colour-card' || m.kind === 'comparator';
export const coloursOf = (m: ColourMethod): string[] => m.colourSteps.map((s) => s.colour.css);

/** An eye takes milliseconds to reckon: whoever else asks is answered between two of them. */
const others = () => setImmediate();

/** Months of readings by which it is weighed what is worth practising. */
const LOOK_BACK_DAYS = 90;
/** The best of eyes: a third of a drop. */
const BEST_U = 0.33;
/** Share of a usual result's variance that judging by eye has, where nothing was read yet (of alkalinity by syringe: 0.8). */
const USUAL_SHARE = 0.6;

const usedOf = (decisions: readonly DatedDecision[], subject: Subject): Used | null => {
	const last = decisions.findLast((d) => subjectKey(d.subject) === subjectKey(subject));
	return last?.finding ? { finding: last.finding, from: last.from, decidedAt: last.decidedAt } : null;
};

function tallyOf(trials: readonly Trial[], right: (t: Trial) => boolean | null): Tally {
	const judged = trials.map(right).filter((r) => r !== null);
	return { right: judged.filter(Boolean).length, of: judged.length };
}

/** The last reading by a kit that is known, without and with an eye of one's own. */
function effectOf(use: KnownUse | undefined, parameter: ParameterId, eye: OwnEye): EyeSeen['effect'] {
	if (!use) return null;
	const { method, last, kit } = use;
	const told = (reader: KnownReader | undefined) => {
		const derived = deriveWith(method, last.reading, { ...kit, reader }, last.deviations);
		return derived.ok
			? derived.value.outcomes.find((o) => o.result.parameter === parameter)?.result
			: undefined;
	};
	const [before, after] = [
		told(undefined),
		told({ endPoints: { [parameter]: eye }, scale: null, mixedUp: [] })
	];
	return before && after ? { before, after } : null;
}

interface KnownUse extends MethodUse {
	/** What is known of the kit of the last reading. */
	readonly kit: KnownKit;
}

async function knownUses(
	db: Reader,
	scope: SiteScope,
	memberId: string,
	since: Instant
): Promise<KnownUse[]> {
	const uses = await usesOfMethods(db, scope, memberId, since);
	const partsOf = await partsOfRuns(
		db,
		scope,
		uses.map((u) => u.last.runId)
	);
	return uses.map((use) => {
		const { runId, standardId, at } = use.last;
		const { droppers, corrections } = knownKit(
			use.method,
			partsOf(runId),
			standardId === null ? at : null,
			undefined
		);
		return { ...use, kit: { droppers, corrections } };
	});
}

/** Share of the last reading's variance that judging by eye has. */
function judgedShare(use: KnownUse | undefined): number {
	if (!use) return USUAL_SHARE;
	const derived = deriveWith(use.method, use.last.reading, null);
	if (!derived.ok) return USUAL_SHARE;
	const { components } = derived.value.outcomes[0];
	const square = (of: (source: string) => boolean) =>
		components.reduce((sum, c) => (of(c.source) ? sum + c.u * c.u : sum), 0);
	const all = square(() => true);
	return all > 0 ? square((s) => s === 'end-point' || s === 'own-bias') / all : USUAL_SHARE;
}

function timingOf(trials: readonly Trial[]): ReaderSeen['timing'] {
	const off = trials.flatMap((t) => (t.kind === 'time' ? [(t.tookS - t.askedS) / t.askedS] : []));
	if (off.length === 0) return null;
	const mean = off.reduce((s, x) => s + x, 0) / off.length;
	const spread = Math.sqrt(off.reduce((s, x) => s + (x - mean) ** 2, 0) / Math.max(1, off.length - 1));
	return { times: off.length, meanOff: mean, spread };
}

function slipsOf(trials: readonly Trial[]): Record<string, number> {
	const slips: Record<string, number> = {};
	for (const t of trials) if (t.kind === 'scale' && t.slip) slips[t.slip] = (slips[t.slip] ?? 0) + 1;
	return slips;
}

async function saidBy(db: Reader, scope: SiteScope, memberId: string): Promise<ReaderSeen['said']> {
	const said = await saidOf(db, scope, memberId);
	const readings = await readingsOfRuns(
		db,
		scope,
		said.map((s) => s.runId)
	);
	const parameters = [...new Set(said.map((s) => s.said.parameter))];
	return parameters.map((parameter) => {
		const scores = saidScores(
			said.flatMap(({ runId, said: s }) => {
				if (s.parameter !== parameter) return [];
				const result = readings
					.find((r) => r.runId === runId)
					?.results.find((r) => r.parameter === parameter);
				const point = result && result.kind !== 'bound' ? pointOf(result) : null;
				return point ? [{ ...s, read: point.value }] : [];
			})
		);
		return { parameter, ...scores };
	});
}

/** The days on which something was practised. */
function daysOf(trials: readonly DatedTrial[], subject: Subject, timeZone: string): Instant[] {
	const own = trials.filter(({ trial }) =>
		subject.kind === 'steps'
			? trial.kind === 'steps' && trial.methodCode === subject.methodCode
			: answersOn(subject, [trial]).length > 0 ||
				(trial.kind === 'end-point' &&
					subject.kind === 'end-point' &&
					trial.methodCode === subject.methodCode &&
					trial.titration === subject.titration)
	);
	const byDay = new Map(own.map(({ at }) => [civilDate(at, timeZone), at]));
	return [...byDay.values()];
}

/** What practice, and what blind readings of real vials, tell of one member of a site. */
export async function readerSeen(
	db: Reader,
	scope: SiteScope,
	{ id: memberId, name }: { readonly id: string; readonly name: string },
	now: Instant
): Promise<ReaderSeen> {
	const dated = await trialsOf(db, scope, memberId);
	const trials = dated.map((d) => d.trial);
	const decisions = (await readerDecisions(db, scope)).filter((d) => d.memberId === memberId);
	const methods = (await adoptedMethods(db, scope)).map((m) => m.method);
	const uses = await knownUses(db, scope, memberId, addDays(now, -LOOK_BACK_DAYS));
	const useOf = (code: string) => uses.find((u) => u.method.code === code);

	const eyes: EyeSeen[] = [];
	const tried = triedEndPoints(methods, trials);
	const alone = new Map<(typeof tried)[number], Eye>();
	for (const one of tried) {
		alone.set(one, endPointEye(one));
		await others();
	}
	for (const one of tried) {
		const { subject, method, titration } = one;
		const { parameter } = titration;
		const related = tried.flatMap((t) => (t === one ? [] : alone.get(t)!));
		const eye = related.length === 0 ? alone.get(one)! : endPointEye(one, related);
		await others();
		const real = (await realVials(db, scope, method, memberId)).get(subject.titration) ?? NO_REAL_VIALS;
		const atBench = eyeAtBench(eye, real);
		eyes.push({
			subject,
			parameter,
			onScreen: eye,
			atBench,
			errors: answersOn(subject, trials).map((a) => a.error),
			usualU: usualEndPointU(titration),
			real: realReadings(real),
			used: usedOf(decisions, subject),
			effect: effectOf(useOf(method.code), parameter, ownEyeOf(atBench))
		});
	}
	for (const scale of SCALES) {
		const eye = scaleEye(scale, trials);
		if (!eye) continue;
		const subject: Subject = { kind: 'scale', scale };
		eyes.push({
			subject,
			parameter: null,
			onScreen: eye,
			atBench: eyeAtBench(eye),
			errors: answersOn(subject, trials).map((a) => a.error),
			usualU: USUAL_SCALE_U,
			real: 0,
			used: usedOf(decisions, subject),
			effect: null
		});
	}
	const steps = methods.filter(isColour).flatMap((method): StepsSeen[] => {
		const answers = trials.flatMap((t) =>
			t.kind === 'steps' && t.methodCode === method.code ? [{ pair: t.pair, right: t.shown === t.taken }] : []
		);
		if (answers.length === 0) return [];
		const subject: Subject = { kind: 'steps', methodCode: method.code };
		return [
			{
				methodCode: method.code,
				pairs: pairsKnown(coloursOf(method), answers),
				asked: answers.length,
				used: usedOf(decisions, subject)
			}
		];
	});
	const odd = trials.flatMap((t) => (t.kind === 'odd-one' ? [t] : []));
	const practisable = methods.flatMap((method): Practisable[] => {
		const use = useOf(method.code);
		return titrationsOf(method).map((titration, i) => {
			const subject: Subject = { kind: 'end-point', methodCode: method.code, titration: i === 0 ? 0 : 1 };
			const own = eyes.find((e) => subjectKey(e.subject) === subjectKey(subject));
			return {
				subject,
				readings: use?.count ?? 0,
				share: judgedShare(use),
				u: own ? Math.hypot(own.atBench.u, own.atBench.bias.sd) : usualEndPointU(titration),
				bestU: BEST_U,
				days: daysOf(dated, subject, scope.timeZone)
			};
		});
	});
	return {
		memberId,
		name,
		eyes,
		steps,
		lines: odd.length >= LINES.length * ODD_QUESTIONS ? linesKnown(odd) : null,
		counting: {
			plain: tallyOf(trials, (t) => (t.kind === 'count' && !t.disturbed ? t.drops === t.answer : null)),
			disturbed: tallyOf(trials, (t) => (t.kind === 'count' && t.disturbed ? t.drops === t.answer : null))
		},
		timing: timingOf(trials),
		scoops: tallyOf(trials, (t) => (t.kind === 'scoop' ? t.shown === t.taken : null)),
		slips: slipsOf(trials),
		next: whatNext(practisable, now),
		said: await saidBy(db, scope, memberId),
		lastAt: dated.at(-1)?.at ?? null
	};
}
