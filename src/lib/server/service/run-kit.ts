import type { KitFinding } from '$lib/core/comparison';
import { parametersOf, withDropper, type KitCorrection, type Method } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import { derive, type Outcome, type RawReading } from '$lib/core/reading';
import { ok, type Result } from '$lib/core/result';
import { checkFor, itemStateOf, type ItemState } from '$lib/core/shelf';
import type { Instant } from '$lib/core/time';
import type { Reader } from '../repository/database.ts';
import type { SiteScope } from '../repository/scope.ts';
import { checksOf, itemsOfRuns, notesOf } from '../repository/shelf.ts';

/** A thing that a test was made with, as it stands now. */
export interface KitPart {
	readonly id: string;
	readonly state: ItemState;
	readonly findings: ReadonlyMap<string, KitFinding>;
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
	return new Map(
		ids.map((id) => [
			id,
			{
				id,
				state: itemStateOf(notes.filter((n) => n.itemId === id).map((n) => n.what)),
				findings: new Map(checks.filter((c) => c.itemId === id).map((c) => [c.id, c.finding]))
			}
		])
	);
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
 * Derives a reading by the things that it was made with: drops of the size that their bottle gives, corrected by
 * the checks that were accepted for its time.
 *
 * @param readAt null of a standard, which must show what the kit says by itself
 */
export function deriveByKit(
	method: Method,
	reading: RawReading,
	parts: readonly KitPart[],
	readAt: Instant | null
): Result<KitDerivation> {
	const droppers = Object.assign({}, ...parts.map((p) => p.state.droppers)) as ItemState['droppers'];
	const own = Object.keys(droppers).length > 0 ? withDropper(method, droppers) : method;
	const corrections: Partial<Record<ParameterId, KitCorrection>> = {};
	const kitCheckIds: Partial<Record<ParameterId, string>> = {};
	for (const { state, findings } of readAt === null ? [] : parts) {
		for (const parameter of parametersOf(method)) {
			const checkId = checkFor(state, parameter, readAt!);
			const correction = checkId === null ? null : findings.get(checkId)?.correction;
			if (checkId === null || !correction) continue;
			corrections[parameter] = correction;
			kitCheckIds[parameter] = checkId;
		}
	}
	const derived = derive(own, reading, Object.keys(corrections).length > 0 ? corrections : undefined);
	return derived.ok ? ok({ outcomes: derived.value.outcomes, kitCheckIds }) : derived;
}
