import type { CorrectReading } from '$lib/contract/test-run';
import { PARAMETERS } from '$lib/core/quantity';
import { DERIVATION_VERSION, deriveSyringeResult, SYRINGE_FORM, type TestResult } from '$lib/core/reading';
import { fail, ok, type Result } from '$lib/core/result';
import type { SiteScope } from '../repository/scope.ts';
import { addReading, readingById, setCurrentResult } from '../repository/test.ts';
import type { Deps } from './deps.ts';
import { contentHash, once } from './once.ts';

/** Puts a new reading in the place of an old one. The old one stays, struck, with the reason; results follow. */
export async function correctReading(
	deps: Deps,
	scope: SiteScope,
	command: CorrectReading
): Promise<Result<{ readonly readingId: string; readonly result: TestResult }>> {
	return once(deps, scope, 'correct-reading', command, async (tx) => {
		const old = await readingById(tx, scope, command.supersedes);
		if (!old) return fail('unknown-item', 'supersedes');
		if (old.replacedBecause !== null) return fail('already-corrected', 'supersedes');
		if (contentHash(old.reading) === contentHash(command.reading)) return fail('unchanged', 'reading');
		const derived = deriveSyringeResult(old.method, command.reading);
		if (!derived.ok) return derived;
		const now = deps.clock.now();
		await addReading(tx, scope, {
			id: command.id,
			runId: old.runId,
			form: SYRINGE_FORM,
			reading: command.reading,
			readAt: old.at,
			supersedes: command.supersedes,
			reason: command.reason,
			receivedAt: now
		});
		await setCurrentResult(tx, scope, {
			id: deps.newId(),
			runId: old.runId,
			readingId: command.id,
			derivationVersion: DERIVATION_VERSION,
			species: PARAMETERS[old.method.parameter].species,
			result: derived.value.result,
			derivedAt: now
		});
		return ok({ readingId: command.id, result: derived.value.result });
	});
}
