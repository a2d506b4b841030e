import { CorrectReading } from '$lib/contract/test-run';
import type { SyringeReading } from '$lib/core/reading';
import type { Result } from '$lib/core/result';
import { typedNumber, typedText } from './form.ts';
import { validate } from './validator.ts';

/** Turns the correction form into a command; the fillings are those of the old reading, with new ends. */
export function correctionOfForm(
	form: FormData,
	supersedes: string,
	old: SyringeReading
): Result<CorrectReading> {
	return validate(CorrectReading, {
		id: typedText(form.get('id')),
		supersedes,
		reading: {
			portion: typedText(form.get('portion')),
			readAs: typedText(form.get('readAs')),
			sure: form.get('unsure') !== 'on',
			fills: old.fills.map(({ startMl }, i) => {
				const lowerMl = typedNumber(form.get(`fills.${i}.lowerMl`)) ?? Number.NaN;
				const upperMl = typedNumber(form.get(`fills.${i}.upperMl`)) ?? lowerMl;
				// Swapped ends of a range are put in order: it is the same range.
				return { startMl, end: { lowerMl: Math.min(lowerMl, upperMl), upperMl: Math.max(lowerMl, upperMl) } };
			})
		},
		reason: typedText(form.get('reason'))
	});
}
