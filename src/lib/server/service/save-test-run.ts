import type { SaveTestRun } from '$lib/contract/test-run';
import { progressOf, type BenchEntry } from '$lib/core/bench';
import { stepsFor } from '$lib/core/method';
import { PARAMETERS } from '$lib/core/quantity';
import { DERIVATION_VERSION, deriveSyringeResult, SYRINGE_FORM, type TestResult } from '$lib/core/reading';
import { fail, ok, type Result } from '$lib/core/result';
import { instant } from '$lib/core/time';
import { adoptedMethod } from '../repository/method.ts';
import type { SiteScope } from '../repository/scope.ts';
import { addReading, addRun, setCurrentResult } from '../repository/test.ts';
import { waterAt } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { isFuture } from './future.ts';
import { once } from './once.ts';

export interface SavedRun {
	readonly runId: string;
	readonly result: TestResult;
}

/** Keeps a finished test: sample, run, raw reading, and the result derived from it here, not taken on trust. */
export async function saveTestRun(
	deps: Deps,
	scope: SiteScope,
	command: SaveTestRun
): Promise<Result<SavedRun>> {
	return once(deps, scope, 'save-test-run', command, async (tx) => {
		const now = deps.clock.now();
		if (isFuture(command.finishedAt, now)) return fail('in-the-future', 'finishedAt');
		const water = await waterAt(tx, scope, command.waterId, now);
		if (!water) return fail('unknown-item', 'waterId');
		const adopted = await adoptedMethod(tx, scope, command.methodCode, command.methodVersion);
		if (!adopted) return fail('unknown-item', 'methodCode');
		const derived = deriveSyringeResult(adopted.method, command.reading);
		if (!derived.ok) {
			return fail(derived.fault.code, `reading.${derived.fault.field ?? ''}`, derived.fault.details);
		}

		const steps = stepsFor(adopted.method, command.reading.portion);
		const stepLog = command.stepLog as unknown as readonly BenchEntry[];
		await addRun(tx, scope, {
			id: command.id,
			sampleId: command.sampleId,
			waterId: command.waterId,
			sampleKind: water.kind,
			siteMethodId: adopted.siteMethodId,
			drawnAt: instant(command.drawnAt),
			startedAt: instant(command.startedAt),
			finishedAt: instant(command.finishedAt),
			offsetMinutes: command.offsetMinutes,
			stepLog,
			deviations: progressOf(steps, stepLog).deviations,
			note: command.note,
			receivedAt: now
		});
		await addReading(tx, scope, {
			id: command.readingId,
			runId: command.id,
			form: SYRINGE_FORM,
			reading: command.reading,
			readAt: instant(command.finishedAt),
			supersedes: null,
			reason: null,
			receivedAt: now
		});
		await setCurrentResult(tx, scope, {
			id: deps.newId(),
			runId: command.id,
			readingId: command.readingId,
			derivationVersion: DERIVATION_VERSION,
			species: PARAMETERS[adopted.method.parameter].species,
			result: derived.value.result,
			derivedAt: now
		});
		return ok({ runId: command.id, result: derived.value.result });
	});
}
