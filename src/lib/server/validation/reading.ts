import type { Static, TSchema } from '@sinclair/typebox';
import { READING_BODY } from '$lib/contract/reading';
import { CorrectReading, SaveTestRun } from '$lib/contract/test-run';
import type { RawReading } from '$lib/core/reading';
import { fail, type Result } from '$lib/core/result';
import { validate } from './validator.ts';

/** Checks the body of a command and then the reading in it, by the reading's own form. */
function withReading<S extends TSchema>(schema: S) {
	return (body: unknown): Result<Static<S>> => {
		const command = validate(schema, body);
		if (!command.ok) return command;
		const { reading } = command.value as { reading: RawReading };
		const checked = validate(READING_BODY[reading.form], reading);
		if (checked.ok) return command;
		const { field, details } = checked.fault;
		return fail(checked.fault.code, `reading.${field}`, details);
	};
}

export const checkTestRun = withReading(SaveTestRun);
export const checkCorrection = withReading(CorrectReading);
