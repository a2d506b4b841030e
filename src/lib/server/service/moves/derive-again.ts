import type { DeriveAgain, Move } from '$lib/contract/method';
import { isSameResult, type TestResult } from '$lib/core/reading';
import { fail, ok, type Result } from '$lib/core/result';
import { versionsOf } from '../../repository/method.ts';
import { setCurrentResults } from '../../repository/result.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { readingsByMethod, type LoggedReading } from '../../repository/test.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';
import { knownReaders } from '../practice/known-readers.ts';
import { newResults } from '../reading/new-results.ts';
import { deriveByKit, partsOfRuns } from '../reading/run-kit.ts';

interface Planned {
	readonly moves: readonly Move[];
	readonly rows: readonly {
		readonly reading: LoggedReading;
		readonly results: ReturnType<typeof newResults>;
	}[];
}

const same = (a: readonly TestResult[], b: readonly TestResult[]) =>
	a.length === b.length && a.every((result, i) => isSameResult(result, b[i]!));

async function plan(deps: Deps, scope: SiteScope, code: string): Promise<Planned | null> {
	const versions = await versionsOf(deps.db, scope, code);
	const [newest, ...older] = versions;
	if (!newest) return null;
	const readings = await readingsByMethod(
		deps.db,
		scope,
		older.map((v) => v.siteMethodId)
	);
	const partsOf = await partsOfRuns(
		deps.db,
		scope,
		readings.map((r) => r.runId)
	);
	const readerOf = await knownReaders(deps.db, scope);
	const moves: Move[] = [];
	const rows: Planned['rows'][number][] = [];
	for (const reading of readings) {
		const drawnAt = reading.standardId === null ? reading.at : null;
		const derived = deriveByKit(
			newest.method,
			reading.reading,
			partsOf(reading.runId),
			drawnAt,
			reading.deviations,
			readerOf({ readerId: reading.readerId, method: newest.method, at: reading.at })
		);
		const after = derived.ok ? derived.value.outcomes.map((o) => o.result) : null;
		if (after && same(after, reading.results)) continue;
		moves.push({
			readingId: reading.readingId,
			at: reading.at,
			water: reading.water,
			version: reading.method.version,
			before: reading.results,
			after
		});
		if (derived.ok) {
			const of = { id: reading.runId, readingId: reading.readingId };
			rows.push({
				reading,
				results: newResults(deps, of, newest.method, derived.value, newest.siteMethodId)
			});
		}
	}
	return { moves, rows };
}

/** Shows how each result that came from an older version would move, before anything moves. */
export async function previewDerivation(
	deps: Deps,
	scope: SiteScope,
	code: string
): Promise<readonly Move[] | null> {
	return (await plan(deps, scope, code))?.moves ?? null;
}

/** Derives them again; old results stay, no longer current, and nothing raw changes. */
export async function deriveAgain(
	deps: PooledDeps,
	scope: ScopeFor<'equip'>,
	command: DeriveAgain
): Promise<Result<{ readonly moved: number }>> {
	return once(deps, scope, 'derive-again', command, async (tx, within) => {
		const planned = await plan(within, scope, command.code);
		if (!planned) return fail('unknown-item', 'code');
		for (const { reading, results } of planned.rows) {
			await setCurrentResults(tx, scope, reading.runId, results);
		}
		return ok({ moved: planned.rows.length });
	});
}
