import { correctedReading } from '$lib/contract/correction';
import { KeepReading, type CorrectReading } from '$lib/contract/test-run';
import type { RawReading } from '$lib/core/reading';
import type { Result } from '$lib/core/result';
import { typedText } from './form.ts';
import { checkCorrection } from './reading.ts';
import { validate } from './validator.ts';

const slipOf = (form: FormData) => {
	const kind = typedText(form.get('slip'));
	return kind ? { slip: kind } : {};
};

export function keepOfForm(form: FormData, runId: string): Result<KeepReading> {
	return validate(KeepReading, {
		id: typedText(form.get('id')),
		runId,
		kind: typedText(form.get('slip')) || null
	});
}

/** Turns the correction form into a command; what has no field stays as it was read. */
export function correctionOfForm(
	form: FormData,
	supersedes: string,
	old: RawReading
): Result<CorrectReading> {
	return checkCorrection({
		id: typedText(form.get('id')),
		supersedes,
		reading: correctedReading(old, (name) => typedText(form.get(name))),
		reason: typedText(form.get('reason')),
		...slipOf(form)
	});
}
