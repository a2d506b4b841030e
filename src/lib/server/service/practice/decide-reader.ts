import type { DecideReader } from '$lib/contract/practice';
import type { ResultMove } from '$lib/contract/shelf-view';
import {
	endPointEye,
	eyeAtBench,
	knownReader,
	mixedUpOf,
	NO_REAL_VIALS,
	ownEyeOf,
	pairsKnown,
	scaleEye,
	scaleOf,
	subjectKey,
	triedEndPoints,
	type ReaderDecision,
	type ReaderFinding,
	type Subject
} from '$lib/core/practice';
import { fail, ok, type Result } from '$lib/core/result';
import type { Method } from '$lib/core/method';
import type { Instant } from '$lib/core/time';
import type { Reader } from '../../repository/database.ts';
import { adoptedMethods, allAdoptedMethods } from '../../repository/method.ts';
import { addReaderUse, readerDecisions, trialsOf } from '../../repository/practice.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { readingsByMethod } from '../../repository/test.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';
import { movedReadings, moveThem, type MovedReading } from '../moves/moved-readings.ts';
import { deriveByKit, partsOfRuns } from '../reading/run-kit.ts';
import { coloursOf, isColour } from './read-eyes.ts';
import { realVials } from './real-vials.ts';

type Asked = Pick<DecideReader, 'subject' | 'decision' | 'span'>;

/** Fewer answers than this say too little to be used. */
const LEAST_ANSWERS = 8;

/** What was found of one's own eye so far; fails where too little was tried. */
async function findingOf(
	db: Reader,
	scope: SiteScope,
	methods: readonly Method[],
	subject: Subject
): Promise<Result<ReaderFinding>> {
	const trials = (await trialsOf(db, scope, scope.membershipId)).map((d) => d.trial);
	const tooFew = (answers: number) =>
		fail('too-little-practice', 'subject', { answers, least: LEAST_ANSWERS });
	if (subject.kind === 'end-point') {
		const tried = triedEndPoints(methods, trials);
		const one = tried.find((t) => subjectKey(t.subject) === subjectKey(subject));
		if (!one || one.answers.length < LEAST_ANSWERS) return tooFew(one?.answers.length ?? 0);
		const related = tried.filter((t) => t !== one).map((t) => endPointEye(t));
		const real = (await realVials(db, scope, one.method, scope.membershipId)).get(subject.titration);
		const eye = ownEyeOf(eyeAtBench(endPointEye(one, related), real ?? NO_REAL_VIALS));
		return ok({ kind: 'end-point', methodCode: subject.methodCode, titration: subject.titration, eye });
	}
	if (subject.kind === 'scale') {
		const eye = scaleEye(subject.scale, trials);
		if (!eye || eye.answers < LEAST_ANSWERS) return tooFew(eye?.answers ?? 0);
		return ok({ kind: 'scale', scale: subject.scale, eye: ownEyeOf(eyeAtBench(eye)) });
	}
	const method = methods.find((m) => m.code === subject.methodCode);
	const answers = trials.flatMap((t) =>
		t.kind === 'steps' && t.methodCode === subject.methodCode
			? [{ pair: t.pair, right: t.shown === t.taken }]
			: []
	);
	if (!method || !isColour(method) || answers.length < LEAST_ANSWERS) return tooFew(answers.length);
	const mixedUp = mixedUpOf(pairsKnown(coloursOf(method), answers));
	return ok({ kind: 'steps', methodCode: subject.methodCode, mixedUp });
}

/** Which of one's own readings hang on an eye, and come out otherwise by what is decided of it. */
async function movedByDecision(
	db: Reader,
	scope: SiteScope,
	methods: readonly { readonly method: Method; readonly siteMethodId: string }[],
	subject: Subject,
	decisions: readonly ReaderDecision[]
): Promise<readonly MovedReading[]> {
	const hangs = (m: Method) =>
		subject.kind === 'scale' ? scaleOf(m) === subject.scale : m.code === subject.methodCode;
	const hanging = methods.filter(({ method }) => hangs(method)).map((m) => m.siteMethodId);
	const own = (await readingsByMethod(db, scope, hanging)).filter(
		(r) => r.readerId === scope.membershipId && r.waterId !== null
	);
	const partsOf = await partsOfRuns(
		db,
		scope,
		own.map((r) => r.runId)
	);
	return movedReadings(db, scope, own, ({ runId, derivedBy, reading, at, deviations }) =>
		deriveByKit(
			derivedBy.method,
			reading,
			partsOf(runId),
			at,
			deviations,
			knownReader(derivedBy.method, decisions, at)
		)
	);
}

interface Decided {
	readonly decision: ReaderDecision;
	readonly moved: readonly MovedReading[];
}

async function decided(
	db: Reader,
	scope: SiteScope,
	{ subject, decision, span }: Asked,
	now: Instant
): Promise<Result<Decided>> {
	const adopted = await allAdoptedMethods(db, scope);
	const methods = (await adoptedMethods(db, scope)).map((m) => m.method);
	const found = decision === 'use' ? await findingOf(db, scope, methods, subject) : ok(null);
	if (!found.ok) return found;
	const made = { subject, finding: found.value, from: span === 'all' ? null : now };
	const before = (await readerDecisions(db, scope)).filter((d) => d.memberId === scope.membershipId);
	const decisions = [...before, made];
	return ok({ decision: made, moved: await movedByDecision(db, scope, adopted, subject, decisions) });
}

/** Which of one's own results would move, and how, if what was found of one's eye were used, or no longer were. */
export async function previewReader(
	deps: Deps,
	scope: SiteScope,
	asked: Asked
): Promise<Result<{ readonly finding: ReaderFinding | null; readonly moves: readonly ResultMove[] }>> {
	const outcome = await decided(deps.db, scope, asked, deps.clock.now());
	if (!outcome.ok) return outcome;
	const { decision, moved } = outcome.value;
	return ok({ finding: decision.finding, moves: moved.flatMap((m) => m.moves) });
}

/** Uses what was found of one's own eye from a time on, or no longer; derives again what it concerns. Nothing raw changes. */
export async function decideReader(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: DecideReader
): Promise<Result<{ readonly moved: number }>> {
	return once(deps, scope, 'decide-reader', command, async (tx, within) => {
		const now = within.clock.now();
		const outcome = await decided(tx, scope, command, now);
		if (!outcome.ok) return outcome;
		const { decision, moved } = outcome.value;
		await addReaderUse(tx, scope, { id: within.newId(), ...decision, decidedAt: now });
		return ok({ moved: await moveThem(within, scope, moved) });
	});
}
