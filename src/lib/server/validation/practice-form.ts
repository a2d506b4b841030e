import {
	DecideReader,
	LessonDeed,
	noteOf,
	ShareDeed,
	StepNoteDeed,
	type NotePractice
} from '$lib/contract/practice';
import { SCALES, type Subject } from '$lib/core/practice';
import type { Result } from '$lib/core/result';
import { numberIn, typedText } from './form';
import { validate } from './validator';

const Share = noteOf(ShareDeed);
const Lesson = noteOf(LessonDeed);
const StepNote = noteOf(StepNoteDeed);

/** A subject from its key in an address; null where it is none. */
export function subjectOfKey(key: string): Subject | null {
	const [kind, of, which] = key.split('/');
	if (kind === 'scale') {
		const scale = SCALES.find((s) => s === of);
		return scale ? { kind, scale } : null;
	}
	if (!of || of.length > 60) return null;
	if (kind === 'steps') return { kind, methodCode: of };
	if (kind === 'end-point') return { kind, methodCode: of, titration: which === '1' ? 1 : 0 };
	return null;
}

export function decideOfForm(form: FormData): Result<DecideReader> {
	return validate(DecideReader, {
		id: typedText(form.get('id')),
		subject: subjectOfKey(typedText(form.get('subject'))),
		decision: typedText(form.get('decision')),
		span: typedText(form.get('span')) || 'from-now'
	});
}

export function shareOfForm(form: FormData): Result<NotePractice> {
	return validate(Share, {
		id: typedText(form.get('id')),
		deed: { kind: 'share', shown: typedText(form.get('shown')) === 'yes' }
	});
}

export function lessonOfForm(form: FormData): Result<NotePractice> {
	return validate(Lesson, {
		id: typedText(form.get('id')),
		deed: {
			kind: 'lesson',
			forMember: typedText(form.get('forMember')),
			subject: subjectOfKey(typedText(form.get('subject'))),
			vials: numberIn(form.get('vials')) ?? 8,
			note: typedText(form.get('note'))
		}
	});
}

export function stepNoteOfForm(form: FormData): Result<NotePractice> {
	return validate(StepNote, {
		id: typedText(form.get('id')),
		deed: {
			kind: 'step-note',
			methodCode: typedText(form.get('methodCode')),
			stepId: typedText(form.get('stepId')),
			note: typedText(form.get('note'))
		}
	});
}
