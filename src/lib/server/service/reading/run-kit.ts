import type { KitFinding } from '$lib/core/comparison';
import { parametersOf, type KitCorrection, type Method } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import {
	deriveWith,
	type Deviation,
	type KnownKit,
	type KnownReader,
	type Outcome,
	type RawReading
} from '$lib/core/reading';
import { ok, type Result } from '$lib/core/result';
import { checkFor, itemStateOf, type ItemState } from '$lib/core/shelf';
import type { Instant } from '$lib/core/time';
import type { Reader } from '../../repository/database.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { checksOf, itemsOfRuns, notesOf } from '../../repository/shelf.ts';
import type { LoggedReading } from '../../repository/test.ts';
import type { Deps } from '../deps.ts';
import { knownReaders } from '../practice/known-readers.ts';

/** A thing that a test was made with, as it stands now. */
export interface KitPart {
	readonly id: string;
	readonly state: ItemState;
	readonly findings: ReadonlyMap<string, KitFinding>;
}

/** A thing by all that was noted and found of everything. */
export function partOf(
	id: string,
	{
		notes,
		checks
	}: {
		readonly notes: readonly Awaited<ReturnType<typeof notesOf>>[number][];
		readonly checks: readonly Awaited<ReturnType<typeof checksOf>>[number][];
	}
): KitPart {
	return {
		id,
		state: itemStateOf(notes.filter((n) => n.itemId === id).map((n) => n.what)),
		findings: new Map(checks.filter((c) => c.itemId === id).map((c) => [c.id, c.finding]))
	};
}

/** Things on the shelf with all that was noted and found of them, by id. */
export async function kitParts(
	db: Reader,
	scope: SiteScope,
	itemIds: readonly string[]
): Promise<Map<string, KitPart>> {
	const ids = [...new Set(itemIds)];
	// One after the other: inside a transaction there is one connection.
	const notes = await notesOf(db, scope, ids);
	const checks = await checksOf(db, scope, ids);
	return new Map(ids.map((id) => [id, partOf(id, { notes, checks })]));
}

/** What many runs were made with. */
export async function partsOfRuns(
	db: Reader,
	scope: SiteScope,
	runIds: readonly string[]
): Promise<(runId: string) => readonly KitPart[]> {
	const items = await itemsOfRuns(db, scope, runIds);
	const parts = await kitParts(db, scope, [...items.values()].flat());
	return (runId) => (items.get(runId) ?? []).flatMap((id) => parts.get(id) ?? []);
}

export interface KitDerivation {
	readonly outcomes: readonly Outcome[];
	/** The checks that corrected them. */
	readonly kitCheckIds: Readonly<Partial<Record<ParameterId, string>>>;
}

/**
 * What was known of the things that a reading was made with: the drops that their bottles give, and the checks that
 * were accepted for its time.
 *
 * @param drawnAt when the sample was drawn; null of a standard, which must show what the kit says by itself
 * @param reader what is used of whoever read it: of a standard as well, so that a check finds the kit's part alone
 */
export function knownKit(
	method: Method,
	parts: readonly KitPart[],
	drawnAt: Instant | null,
	reader: KnownReader | undefined
): KnownKit & Pick<KitDerivation, 'kitCheckIds'> {
	const corrections: Partial<Record<ParameterId, KitCorrection>> = {};
	const kitCheckIds: Partial<Record<ParameterId, string>> = {};
	for (const { state, findings } of drawnAt === null ? [] : parts) {
		for (const parameter of parametersOf(method)) {
			const checkId = checkFor(state, parameter, drawnAt!);
			const correction = checkId === null ? null : findings.get(checkId)?.correction;
			if (checkId === null || !correction) continue;
			corrections[parameter] = correction;
			kitCheckIds[parameter] = checkId;
		}
	}
	return {
		droppers: Object.fromEntries(parts.flatMap((p) => Object.entries(p.state.droppers))),
		corrections,
		kitCheckIds,
		reader
	};
}

/** Derives a reading by the things that it was made with, and by what was not done as written. */
export function deriveByKit(
	method: Method,
	reading: RawReading,
	parts: readonly KitPart[],
	drawnAt: Instant | null,
	deviations: readonly Deviation[],
	reader: KnownReader | undefined
): Result<KitDerivation> {
	const kit = knownKit(method, parts, drawnAt, reader);
	const derived = deriveWith(method, reading, kit, deviations);
	return derived.ok ? ok({ outcomes: derived.value.outcomes, kitCheckIds: kit.kitCheckIds }) : derived;
}

/** What is known of the kit of one stored reading, as plain data. */
export async function kitOfReading(
	deps: Deps,
	scope: SiteScope,
	{
		runId,
		at,
		standardId,
		derivedBy,
		readerId
	}: Pick<LoggedReading, 'runId' | 'at' | 'standardId' | 'derivedBy' | 'readerId'>
): Promise<KnownKit> {
	const partsOf = await partsOfRuns(deps.db, scope, [runId]);
	const readerOf = await knownReaders(deps.db, scope);
	const { droppers, corrections, reader } = knownKit(
		derivedBy.method,
		partsOf(runId),
		standardId === null ? at : null,
		readerOf({ readerId, method: derivedBy.method, at })
	);
	return { droppers, corrections, reader };
}
