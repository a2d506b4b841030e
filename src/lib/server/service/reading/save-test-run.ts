import type { SaveTestRun } from '$lib/contract/test-run';
import { progressOf, type BenchEntry } from '$lib/core/bench';
import { stepsFor } from '$lib/core/method';
import { unusualIn, type TestResult } from '$lib/core/reading';
import { fail, ok, type Result } from '$lib/core/result';
import { inOrderByNow, instant } from '$lib/core/time';
import { adoptedMethod } from '../../repository/method.ts';
import { addSaid } from '../../repository/practice.ts';
import { addCurrentResults } from '../../repository/result.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { openSession } from '../../repository/session.ts';
import { addRunItems, shelfItemsByIds } from '../../repository/shelf.ts';
import { addSlipAnswer } from '../../repository/slip.ts';
import { addReading, addRun, sampleById } from '../../repository/test.ts';
import { waterAt } from '../../repository/water.ts';
import type { PooledDeps, Within } from '../deps.ts';
import { once } from '../once.ts';
import { knownReaders } from '../practice/known-readers.ts';
import { sortOf } from '../water/water-sort.ts';
import { newResults } from './new-results.ts';
import { deriveByKit, kitParts } from './run-kit.ts';

export interface SavedRun {
	readonly runId: string;
	/** One for each parameter that the run told. */
	readonly results: readonly TestResult[];
}

/** Keeps a finished test: sample, run, raw reading, and the result derived from it here, not taken on trust. */
export async function saveTestRun(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: SaveTestRun
): Promise<Result<SavedRun>> {
	return once(deps, scope, 'save-test-run', command, async (tx, within) => {
		const kept = await keepRun(within, scope, command);
		if (!kept.ok || command.unusual || command.standardId || command.reading.form !== 'stated') return kept;
		// At the bench the slip finder asks of every reading; of one value that is typed in nobody else does.
		const water = await waterAt(tx, scope, command.waterId, within.clock.now());
		const fault = water && unusualIn(sortOf(water), kept.value.results);
		return fault ? { ok: false, fault } : kept;
	});
}

/** The same within a transaction that keeps more than one. */
export async function keepRun(
	within: Within,
	scope: SiteScope,
	command: SaveTestRun
): Promise<Result<SavedRun>> {
	const tx = within.db;
	const now = within.clock.now();
	const times = inOrderByNow(
		[
			{ field: 'drawnAt', at: command.drawnAt, name: 'the sample was drawn' },
			{ field: 'startedAt', at: command.startedAt, name: 'the test began' },
			{ field: 'finishedAt', at: command.finishedAt, name: 'it was read' }
		],
		now
	);
	if (!times.ok) return times;
	// The steps are noted one after the other, by the same clock.
	const steps = inOrderByNow(
		command.stepLog.map(({ at }, i) => ({ field: `stepLog.${i}.at`, at, name: 'the step before it' })),
		now
	);
	if (!steps.ok) return steps;
	const water = await waterAt(tx, scope, command.waterId, now);
	if (!water) return fail('unknown-item', 'waterId');
	within.touch(command.standardId ? 'site' : { waterId: water.id });
	const adopted = await adoptedMethod(tx, scope, command.methodCode, command.methodVersion);
	if (!adopted) return fail('unknown-item', 'methodCode');
	const itemIds = [...new Set(command.itemIds ?? [])];
	const standardId = command.standardId ?? null;
	const named = await shelfItemsByIds(tx, scope, standardId ? [...itemIds, standardId] : itemIds);
	const madeWith = (id: string) => named.find((i) => i.id === id);
	// A kit's drops and corrections are its own: they say nothing of another kit's reading.
	const fits = (id: string) => {
		const item = madeWith(id);
		return item && (item.kind !== 'kit' || item.method?.code === command.methodCode);
	};
	if (!itemIds.every(fits)) return fail('unknown-item', 'itemIds');
	if (standardId && madeWith(standardId)?.kind !== 'standard') {
		return fail('unknown-item', 'standardId');
	}
	const parts = await kitParts(tx, scope, itemIds);
	if ([...parts.values()].some((p) => p.state.retiredAt !== null)) return fail('kit-retired', 'itemIds');
	const drawnAt = standardId ? null : instant(command.drawnAt);
	const protocol = stepsFor(adopted.method, command.reading.portion);
	const stepLog = command.stepLog as unknown as readonly BenchEntry[];
	const { deviations } = progressOf(protocol, stepLog);
	const readerOf = await knownReaders(tx, scope);
	const reader = readerOf({
		readerId: scope.membershipId,
		method: adopted.method,
		at: instant(command.drawnAt)
	});
	const derived = deriveByKit(
		adopted.method,
		command.reading,
		[...parts.values()],
		drawnAt,
		deviations,
		reader
	);
	if (!derived.ok) {
		return fail(derived.fault.code, `reading.${derived.fault.field ?? ''}`, derived.fault.details);
	}

	const known = await sampleById(tx, scope, command.sampleId);
	const waterId = standardId ? null : command.waterId;
	if (known && (known.waterId !== waterId || known.standardId !== standardId)) {
		return fail('unknown-item', 'sampleId');
	}
	const sessionId = command.sessionId ?? null;
	if (sessionId) await openSession(tx, scope, sessionId, instant(command.startedAt), now);
	const run = {
		id: command.id,
		sampleId: command.sampleId,
		waterId,
		standardId,
		sessionId,
		sampleKind: standardId ? ('standard' as const) : water.kind,
		siteMethodId: adopted.siteMethodId,
		drawnAt: instant(command.drawnAt),
		startedAt: instant(command.startedAt),
		finishedAt: instant(command.finishedAt),
		offsetMinutes: command.offsetMinutes,
		stepLog,
		deviations,
		note: command.note,
		temperatureC: command.sampleTemperatureC ?? null,
		keptHow: command.keptHow?.trim() || null,
		receivedAt: now
	};
	await addRun(tx, scope, run, known !== null);
	await addRunItems(tx, scope, command.id, itemIds);
	await addReading(tx, scope, {
		id: command.readingId,
		runId: command.id,
		reading: command.reading,
		readAt: instant(command.finishedAt),
		supersedes: null,
		reason: null,
		receivedAt: now
	});
	if (command.said) await addSaid(tx, scope, { runId: command.id, said: command.said });
	if (command.unusual) {
		await addSlipAnswer(tx, scope, {
			id: within.newId(),
			runId: command.id,
			kind: null,
			answer: 'as-entered',
			answeredAt: now
		});
	}
	if (command.slip) {
		const { kind, answer } = command.slip;
		await addSlipAnswer(tx, scope, { id: within.newId(), runId: command.id, kind, answer, answeredAt: now });
	}
	await addCurrentResults(
		tx,
		scope,
		newResults(within, { ...run, readingId: command.readingId }, adopted.method, derived.value, null)
	);
	return ok({ runId: command.id, results: derived.value.outcomes.map((o) => o.result) });
}
