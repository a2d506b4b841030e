import type { ResultMove } from '$lib/contract/shelf-view';
import { judge } from '$lib/core/judgement';
import { isSameResult, pointOf, type TestResult } from '$lib/core/reading';
import { bandAt, plainBand, type DatedBand } from '$lib/core/record';
import { itemStateOf, type DatedNote } from '$lib/core/shelf';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import type { Reader } from '../../repository/database.ts';
import { setCurrentResults } from '../../repository/result.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { notesOf, runsWithItem } from '../../repository/shelf.ts';
import { readingsOfRuns, type LoggedReading } from '../../repository/test.ts';
import { targetsOf } from '../../repository/water.ts';
import type { Within } from '../deps.ts';
import { newResults } from '../reading/new-results.ts';
import { deriveByKit, partsOfRuns, type KitDerivation } from '../reading/run-kit.ts';

interface Planned {
	readonly reading: LoggedReading;
	readonly derivation: KitDerivation;
	readonly moves: readonly ResultMove[];
}

function gradeOf(result: TestResult, targets: readonly DatedBand[], at: LoggedReading['at']) {
	const band = plainBand(bandAt(targets, result.parameter, at));
	const point = pointOf(result);
	if (!point || !band) return { grade: null, side: null };
	const { grade, side } = judge(point.value, standardUncertaintyOf(point), band, null);
	return { grade, side };
}

/**
 * How every reading that was made with a thing on the shelf would come out by what is known of the thing now.
 *
 * @param noted as if this were noted of it as well; null for as things stand
 */
export async function planMoves(
	db: Reader,
	scope: SiteScope,
	itemId: string,
	noted: DatedNote | null
): Promise<readonly Planned[]> {
	const runIds = await runsWithItem(db, scope, itemId, 'waters');
	const readings = await readingsOfRuns(db, scope, runIds);
	const partsOf = await partsOfRuns(db, scope, runIds);
	const notes = noted ? (await notesOf(db, scope, [itemId])).map((n) => n.what) : [];
	const supposed = noted ? itemStateOf([...notes, noted]) : null;
	const targets = new Map<string, readonly DatedBand[]>();
	for (const waterId of new Set(readings.flatMap((r) => r.waterId ?? []))) {
		targets.set(waterId, await targetsOf(db, scope, waterId));
	}
	const planned: Planned[] = [];
	for (const reading of readings) {
		const parts = partsOf(reading.runId).map((part) =>
			supposed && part.id === itemId ? { ...part, state: supposed } : part
		);
		const derived = deriveByKit(
			reading.derivedBy.method,
			reading.reading,
			parts,
			reading.at,
			reading.deviations
		);
		if (!derived.ok) continue;
		const after = derived.value.outcomes.map((o) => o.result);
		const moves = after.flatMap((result): ResultMove[] => {
			const before = reading.results.find((r) => r.parameter === result.parameter);
			if (!before || reading.waterId === null || isSameResult(before, result)) return [];
			const bands = targets.get(reading.waterId) ?? [];
			return [
				{
					readingId: reading.readingId,
					waterId: reading.waterId,
					water: reading.water,
					at: reading.at,
					parameter: result.parameter,
					before,
					after: result,
					gradeBefore: gradeOf(before, bands, reading.at),
					gradeAfter: gradeOf(result, bands, reading.at)
				}
			];
		});
		if (moves.length > 0) planned.push({ reading, derivation: derived.value, moves });
	}
	return planned.sort((a, b) => b.reading.at - a.reading.at);
}

/** Derives again whatever no longer fits; old results stay, no longer current, and nothing raw changes. */
export async function moveResults(within: Within, scope: SiteScope, itemId: string): Promise<number> {
	const planned = await planMoves(within.db, scope, itemId, null);
	for (const { reading, derivation } of planned) {
		const of = { id: reading.runId, readingId: reading.readingId };
		const { method, siteMethodId } = reading.derivedBy;
		await setCurrentResults(
			within.db,
			scope,
			reading.runId,
			newResults(within, of, method, derivation, siteMethodId)
		);
	}
	return planned.length;
}
