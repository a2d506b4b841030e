import { correctedReading } from '$lib/contract/correction';
import type { CorrectReading } from '$lib/contract/test-run';
import type { RawReading } from '$lib/core/reading';
import type { Result } from '$lib/core/result';
import { typedText } from './form.ts';
import { checkCorrection } from './reading.ts';

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
		reason: typedText(form.get('reason'))
	});
}
