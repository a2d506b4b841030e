import type { PracticeDeed } from '$lib/contract/practice';
import type { LessonSeen, PracticeAnswer, ReaderSeen, StepNoteSeen } from '$lib/contract/practice-view';
import { titrationsOf } from '$lib/core/method';
import { subjectKey, type Subject, type Trial } from '$lib/core/practice';
import { membersOf, namesAt } from '../../repository/member.ts';
import { adoptedMethods } from '../../repository/method.ts';
import { practiceNotes, trialsOf, type DatedDeed, type DatedTrial } from '../../repository/practice.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps } from '../deps.ts';
import { isColour, readerSeen } from './read-eyes.ts';

/** Lessons older than this are over. */
const LESSON_DAYS = 60;
const DAY_MS = 86_400_000;
/** Of so many people at most it is told how they practise. */
const MOST_OTHERS = 6;

type Of<K extends PracticeDeed['kind']> = DatedDeed & {
	readonly deed: Extract<PracticeDeed, { readonly kind: K }>;
};
const isOf =
	<K extends PracticeDeed['kind']>(kind: K) =>
	(d: DatedDeed): d is Of<K> =>
		d.deed.kind === kind;

/** Members who let others see how they practise: what each said last holds. */
function sharers(notes: readonly DatedDeed[]): ReadonlySet<string> {
	const last = new Map(notes.filter(isOf('share')).map((n) => [n.memberId, n.deed.shown]));
	return new Set([...last].filter(([, shown]) => shown).map(([id]) => id));
}

function isOn(subject: Subject, trial: Trial): boolean {
	switch (trial.kind) {
		case 'end-point':
			return (
				subjectKey(subject) ===
				subjectKey({ kind: 'end-point', methodCode: trial.methodCode, titration: trial.titration })
			);
		case 'scale':
			return subjectKey(subject) === subjectKey({ kind: 'scale', scale: trial.scale });
		case 'steps':
			return subjectKey(subject) === subjectKey({ kind: 'steps', methodCode: trial.methodCode });
		default:
			return false;
	}
}

/** Notes at steps: the newest of a step holds, and an empty one takes it away. */
function stepNotesOf(notes: readonly DatedDeed[]): StepNoteSeen[] {
	const newest = new Map<string, StepNoteSeen>();
	for (const { deed, by } of notes.filter(isOf('step-note'))) {
		newest.set(`${deed.methodCode}/${deed.stepId}`, { ...deed, by });
	}
	return [...newest.values()]
		.filter((n) => n.note.trim() !== '')
		.map(({ methodCode, stepId, note, by }) => ({ methodCode, stepId, note, by }));
}

/** Notes that mentors left at steps, wherever their kits are run. */
export async function readStepNotes(deps: Deps, scope: SiteScope): Promise<readonly StepNoteSeen[]> {
	return stepNotesOf(await practiceNotes(deps.db, scope));
}

async function lessonsOf(
	deps: Deps,
	scope: SiteScope,
	notes: readonly DatedDeed[],
	ownTrials: readonly DatedTrial[],
	shown: ReadonlySet<string>
): Promise<LessonSeen[]> {
	const now = deps.clock.now();
	const names = await namesAt(deps.db, scope);
	const lessons: LessonSeen[] = [];
	for (const { id, at, by, memberId, deed } of notes.filter(isOf('lesson'))) {
		const mine = deed.forMember === scope.membershipId;
		if ((!mine && memberId !== scope.membershipId) || now - at > LESSON_DAYS * DAY_MS) continue;
		// How far somebody is, a mentor sees only of those who agreed.
		const trials = mine
			? ownTrials
			: shown.has(deed.forMember)
				? await trialsOf(deps.db, scope, deed.forMember)
				: [];
		const done = trials.filter((t) => t.at >= at && isOn(deed.subject, t.trial)).length;
		const { forMember, subject, vials, note } = deed;
		lessons.push({ id, by, at, forMember, forName: names.get(forMember) ?? '', subject, vials, done, note });
	}
	return lessons;
}

/** All that the view Practice shows to whoever looks. */
export async function readPractice(deps: Deps, scope: SiteScope): Promise<PracticeAnswer> {
	const { db, clock } = deps;
	const now = clock.now();
	const notes = await practiceNotes(db, scope);
	const shown = sharers(notes);
	const members = (await membersOf(db, scope, now)).filter((m) => !m.isPlace);
	const names = new Map(members.map((m) => [m.id, m.name]));
	const me = { id: scope.membershipId, name: names.get(scope.membershipId) ?? '' };
	const own = await trialsOf(db, scope, me.id);
	const others: ReaderSeen[] = [];
	for (const { id, name } of members.filter((m) => m.id !== me.id && shown.has(m.id)).slice(0, MOST_OTHERS)) {
		others.push(await readerSeen(db, scope, { id, name }, now));
	}
	const methods = (await adoptedMethods(db, scope)).map((m) => m.method);
	return {
		me: await readerSeen(db, scope, me, now),
		methods: methods.filter((m) => titrationsOf(m).length > 0 || isColour(m)),
		asked: own.map((d) => d.trial).filter((t) => t.kind === 'steps' || t.kind === 'odd-one'),
		shown: shown.has(me.id),
		lessons: await lessonsOf(deps, scope, notes, own, shown),
		stepNotes: stepNotesOf(notes),
		others,
		members: members.filter((m) => m.id !== me.id).map(({ id, name }) => ({ id, name }))
	};
}
