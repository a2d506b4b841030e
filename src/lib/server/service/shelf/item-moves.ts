import { itemStateOf, type DatedNote } from '$lib/core/shelf';
import type { Reader } from '../../repository/database.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { notesOf, runsWithItem } from '../../repository/shelf.ts';
import { readingsOfRuns } from '../../repository/test.ts';
import type { Within } from '../deps.ts';
import { movedReadings, moveThem, type MovedReading } from '../moves/moved-readings.ts';
import { knownReaders } from '../practice/known-readers.ts';
import { deriveByKit, partsOfRuns } from '../reading/run-kit.ts';

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
): Promise<readonly MovedReading[]> {
	const runIds = await runsWithItem(db, scope, itemId, 'waters');
	const readings = await readingsOfRuns(db, scope, runIds);
	const partsOf = await partsOfRuns(db, scope, runIds);
	const notes = noted ? (await notesOf(db, scope, [itemId])).map((n) => n.what) : [];
	const supposed = noted ? itemStateOf([...notes, noted]) : null;
	const readerOf = await knownReaders(db, scope);
	return movedReadings(db, scope, readings, ({ runId, readerId, derivedBy, reading, at, deviations }) => {
		const { method } = derivedBy;
		const parts = partsOf(runId).map((part) =>
			supposed && part.id === itemId ? { ...part, state: supposed } : part
		);
		return deriveByKit(method, reading, parts, at, deviations, readerOf({ readerId, method, at }));
	});
}

/** Derives again whatever no longer fits; old results stay, no longer current, and nothing raw changes. */
export async function moveResults(within: Within, scope: SiteScope, itemId: string): Promise<number> {
	return moveThem(within, scope, await planMoves(within.db, scope, itemId, null));
}
