import type { CorrectReading } from '$lib/contract/test-run';
import type { TestResult } from '$lib/core/reading';
import { fail, ok, type Result } from '$lib/core/result';
import { setCurrentResults } from '../../repository/result.ts';
import type { ScopeFor } from '../../repository/scope.ts';
import { addSlipAnswer } from '../../repository/slip.ts';
import { addReading, readingById } from '../../repository/test.ts';
import type { PooledDeps } from '../deps.ts';
import { contentHash, once } from '../once.ts';
import { knownReaders } from '../practice/known-readers.ts';
import { newResults } from './new-results.ts';
import { deriveByKit, partsOfRuns } from './run-kit.ts';

/** Puts a new reading in the place of an old one. The old one stays, struck, with the reason; results follow. */
export async function correctReading(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: CorrectReading
): Promise<Result<{ readonly readingId: string; readonly results: readonly TestResult[] }>> {
	return once(deps, scope, 'correct-reading', command, async (tx, within) => {
		const old = await readingById(tx, scope, command.supersedes);
		if (!old) return fail('unknown-item', 'supersedes');
		// Where a slip is named, whoever asks for slips anywhere at this site counts it.
		within.touch(old.waterId === null || command.slip ? 'site' : { waterId: old.waterId });
		if (old.replacedBecause !== null) return fail('already-corrected', 'supersedes');
		if (contentHash(old.reading) === contentHash(command.reading)) return fail('unchanged', 'reading');
		// What was derived again by a newer version stays with it.
		const { method, siteMethodId } = old.derivedBy;
		const parts = (await partsOfRuns(tx, scope, [old.runId]))(old.runId);
		const drawnAt = old.standardId === null ? old.at : null;
		const reader = (await knownReaders(tx, scope))({ readerId: old.readerId, method, at: old.at });
		const derived = deriveByKit(method, command.reading, parts, drawnAt, old.deviations, reader);
		if (!derived.ok) return derived;
		const now = within.clock.now();
		await addReading(tx, scope, {
			id: command.id,
			runId: old.runId,
			reading: command.reading,
			readAt: old.at,
			supersedes: command.supersedes,
			reason: command.reason,
			receivedAt: now
		});
		if (command.slip) {
			await addSlipAnswer(tx, scope, {
				id: within.newId(),
				runId: old.runId,
				kind: command.slip,
				answer: 'that-is-it',
				answeredAt: now
			});
		}
		const of = { id: old.runId, readingId: command.id };
		await setCurrentResults(
			tx,
			scope,
			old.runId,
			newResults(within, of, method, derived.value, siteMethodId)
		);
		return ok({ readingId: command.id, results: derived.value.outcomes.map((o) => o.result) });
	});
}
