import type { SaveTestRun } from '$lib/contract/test-run';
import { statedMethodFor } from '$lib/core/method';
import { isParameterId } from '$lib/core/quantity';
import { fail, type Result } from '$lib/core/result';
import { offsetMinutes, type Instant } from '$lib/core/time';
import { numberIn, typedText } from './form.ts';
import { checkTestRun } from './reading.ts';
import { typedInstant } from './typed-instant.ts';

/** What such a value can be; nothing sent is a value as it stands. */
const SENSES: ReadonlySet<string> = new Set(['', 'value', '<', '>']);

/** Turns the form for a value from elsewhere, such as a laboratory's, into a run of the method that says so. */
export function statedRunOfForm(
	form: FormData,
	context: {
		readonly waterId: string;
		readonly timeZone: string;
		readonly newId: () => string;
	}
): Result<SaveTestRun> {
	const parameter = typedText(form.get('parameter'));
	if (!isParameterId(parameter)) return fail('invalid-field', 'parameter', { rule: 'word' });
	const at = typedInstant(typedText(form.get('happenedAt')), context.timeZone);
	if (Number.isNaN(at)) return fail('invalid-field', 'happenedAt', { rule: 'date-and-time' });
	const value = numberIn(form.get('value'));
	const sense = typedText(form.get('sense'));
	if (!SENSES.has(sense)) return fail('invalid-field', 'sense', { rule: 'word' });
	if (value === null || Number.isNaN(value)) return fail('not-a-number', 'value');
	const expandedU = numberIn(form.get('expandedU'));
	if (Number.isNaN(expandedU)) return fail('not-a-number', 'expandedU');
	const source = typedText(form.get('source'));
	if (source === '') return fail('invalid-field', 'source', { rule: 'missing' });
	const method = statedMethodFor(parameter);
	return checkTestRun({
		id: typedText(form.get('id')),
		sampleId: context.newId(),
		readingId: context.newId(),
		waterId: context.waterId,
		methodCode: method.code,
		methodVersion: method.version,
		drawnAt: at,
		startedAt: at,
		finishedAt: at,
		offsetMinutes: offsetMinutes(at as Instant, context.timeZone),
		reading: {
			form: 'stated',
			portion: 'full',
			unit: typedText(form.get('unit')),
			says:
				sense === '<' || sense === '>'
					? { kind: 'bound', sense, limit: value }
					: { kind: 'value', value, expandedU, k: 2 },
			source
		},
		stepLog: [],
		...(form.get('unusual') === 'as-read' ? { unusual: 'as-read' as const } : {}),
		note: typedText(form.get('note'))
	});
}
