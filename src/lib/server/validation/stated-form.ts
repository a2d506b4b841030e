import { StatedEntry } from '$lib/contract/stated';
import type { SaveTestRun } from '$lib/contract/test-run';
import { statedMethodFor } from '$lib/core/method';
import type { Result } from '$lib/core/result';
import { offsetMinutes, type Instant } from '$lib/core/time';
import { commandOfForm, type WaterFormContext } from './command-of-form.ts';
import { checkTestRun } from './reading.ts';

/** Turns the form for a value from elsewhere into a run of the method that says so. */
export function statedRunOfForm(
	form: FormData,
	context: WaterFormContext,
	newId: () => string
): Result<SaveTestRun> {
	const read = commandOfForm(StatedEntry, form, context);
	if (!read.ok) return read;
	const { id, parameter, unit, sense, value, expandedU, source, happenedAt, unusual, note } = read.value;
	const method = statedMethodFor(parameter);
	return checkTestRun({
		id,
		sampleId: newId(),
		readingId: newId(),
		waterId: context.waterId,
		methodCode: method.code,
		methodVersion: method.version,
		drawnAt: happenedAt,
		startedAt: happenedAt,
		finishedAt: happenedAt,
		offsetMinutes: offsetMinutes(happenedAt as Instant, context.timeZone),
		reading: {
			form: 'stated',
			portion: 'full',
			unit,
			says:
				sense === '<' || sense === '>'
					? { kind: 'bound', sense, limit: value }
					: { kind: 'value', value, expandedU: expandedU ?? null, k: 2 },
			source
		},
		stepLog: [],
		...(unusual ? { unusual } : {}),
		note
	});
}
