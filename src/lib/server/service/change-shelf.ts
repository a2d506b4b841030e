import type { AddItem, DecideCheck, FinishCheck, NoteItem } from '$lib/contract/shelf';
import { kitFinding, type KitFinding, type StandardTried } from '$lib/core/comparison';
import { dropVolumeMl } from '$lib/core/method';
import { fail, ok, type Result } from '$lib/core/result';
import type { DatedNote, ItemNote } from '$lib/core/shelf';
import { instant } from '$lib/core/time';
import { adoptedMethod } from '../repository/method.ts';
import type { SiteScope } from '../repository/scope.ts';
import {
	addKitCheck,
	addShelfItem,
	addShelfNote,
	checkById,
	runsWithItem,
	shelfItemsByIds
} from '../repository/shelf.ts';
import { readingsOfRuns } from '../repository/test.ts';
import type { Deps } from './deps.ts';
import { isFuture } from './future.ts';
import { moveResults, planMoves } from './item-moves.ts';
import { once } from './once.ts';

/** A thing comes on the shelf. */
export async function addToShelf(
	deps: Deps,
	scope: SiteScope,
	command: AddItem
): Promise<Result<{ readonly itemId: string }>> {
	return once(deps, scope, 'add-to-shelf', command, async (tx) => {
		const { methodCode, methodVersion } = command;
		const adopted =
			methodCode === null || methodVersion === null
				? null
				: await adoptedMethod(tx, scope, methodCode, methodVersion);
		if (methodCode !== null && !adopted) return fail('unknown-item', 'methodCode');
		if (command.kind === 'kit' && !adopted)
			return fail('invalid-field', 'methodCode', { reason: 'is missing' });
		if (command.kind === 'standard' && command.details.contents.length === 0) {
			return fail('invalid-field', 'contents', { reason: 'is missing' });
		}
		const at = (ms: number | null) => (ms === null ? null : instant(ms));
		await addShelfItem(tx, scope, {
			id: command.id,
			kind: command.kind,
			name: command.name,
			lotCode: command.lotCode,
			siteMethodId: adopted?.siteMethodId ?? null,
			price: command.price,
			boughtAt: at(command.boughtAt),
			expiresAt: at(command.expiresAt),
			details: command.details,
			receivedAt: deps.clock.now()
		});
		return ok({ itemId: command.id });
	});
}

/** What a note means, worked out from what was sent; raw numbers stay beside it. */
function meaningOf(command: NoteItem): Readonly<Record<string, unknown>> {
	if (command.kind !== 'drop-size') return command.details;
	const { reagent, trial } = command.details;
	if (trial.by === 'weighing') {
		const dropMl = dropVolumeMl(trial.drops, trial.massG, trial.densityGPerMl);
		return { reagent, dropMl, u: (dropMl * trial.uMassG) / trial.massG, trial };
	}
	const dropMl = trial.ml / trial.drops;
	// The mark is reached within a drop: the last one may have gone past it.
	return {
		reagent,
		dropMl,
		u: Math.hypot(trial.uMl / trial.drops, dropMl / trial.drops / Math.sqrt(12)),
		trial
	};
}

/** Notes something of a thing; what was read with it is derived again only when that is asked for. */
export async function noteItem(
	deps: Deps,
	scope: SiteScope,
	command: NoteItem
): Promise<Result<{ readonly noteId: string }>> {
	return once(deps, scope, 'note-item', command, async (tx) => {
		if (isFuture(command.happenedAt, deps.clock.now())) return fail('in-the-future', 'happenedAt');
		const [item] = await shelfItemsByIds(tx, scope, [command.itemId]);
		if (!item) return fail('unknown-item', 'itemId');
		const { details } = command;
		if ('reagent' in details && !item.details.bottles.some((b) => b.reagent === details.reagent)) {
			return fail('unknown-item', 'reagent');
		}
		await addShelfNote(tx, scope, {
			id: command.id,
			itemId: command.itemId,
			kind: command.kind,
			details: meaningOf(command),
			note: command.note,
			happenedAt: instant(command.happenedAt),
			receivedAt: deps.clock.now()
		});
		return ok({ noteId: command.id });
	});
}

/** Turns readings of standards into a finding and keeps it; nothing is corrected by it yet. */
export async function finishCheck(
	deps: Deps,
	scope: SiteScope,
	command: FinishCheck
): Promise<Result<{ readonly checkId: string; readonly finding: KitFinding }>> {
	return once(deps, scope, 'finish-check', command, async (tx) => {
		const { itemId, parameter } = command;
		const runs = new Set(await runsWithItem(tx, scope, itemId, 'standards'));
		if (command.runIds.some((id) => !runs.has(id))) return fail('unknown-item', 'runIds');
		const readings = await readingsOfRuns(tx, scope, command.runIds);
		const standards = await shelfItemsByIds(tx, scope, [
			...new Set(readings.flatMap((r) => r.standardId ?? []))
		]);
		const tried: StandardTried[] = standards.flatMap(({ id, details }) => {
			const content = details.contents.find((c) => c.parameter === parameter);
			const read = readings.filter((r) => r.standardId === id).flatMap((r) => r.results);
			const own = read.filter((r) => r.parameter === parameter);
			return content && own.length > 0
				? [{ holds: { value: content.value, u: content.u }, readings: own }]
				: [];
		});
		const found = kitFinding(parameter, tried);
		if (!found.ok) return found;
		const now = deps.clock.now();
		await addKitCheck(tx, scope, {
			id: command.id,
			itemId,
			parameter,
			runIds: command.runIds,
			finding: found.value,
			checkedAt: now,
			receivedAt: now
		});
		return ok({ checkId: command.id, finding: found.value });
	});
}

function decided(
	check: { readonly id: string; readonly checkedAt: number; readonly finding: KitFinding },
	{ decision, span }: Pick<DecideCheck, 'decision' | 'span'>
): ItemNote {
	const { parameter } = check.finding;
	return decision === 'accept'
		? {
				kind: 'check-accepted',
				checkId: check.id,
				parameter,
				from: span === 'all' ? null : instant(check.checkedAt)
			}
		: { kind: 'check-withdrawn', checkId: check.id, parameter };
}

/** How each past result would move if a check were accepted or withdrawn, before anything moves. */
export async function previewDecision(
	deps: Deps,
	scope: SiteScope,
	checkId: string,
	decision: Pick<DecideCheck, 'decision' | 'span'>
) {
	const check = await checkById(deps.db, scope, checkId);
	if (!check) return null;
	const noted: DatedNote = { ...decided(check, decision), at: deps.clock.now() };
	const planned = await planMoves(deps.db, scope, check.itemId, noted);
	return planned.flatMap((p) => p.moves);
}

/** Accepts a check's finding, or takes it back, and derives again what it concerns. */
export async function decideCheck(
	deps: Deps,
	scope: SiteScope,
	command: DecideCheck
): Promise<Result<{ readonly moved: number }>> {
	return once(deps, scope, 'decide-check', command, async (tx) => {
		const check = await checkById(tx, scope, command.checkId);
		if (!check) return fail('unknown-item', 'checkId');
		if (command.decision === 'accept' && !check.finding.correction) return fail('no-finding', 'checkId');
		const { kind, ...details } = decided(check, command);
		const now = deps.clock.now();
		await addShelfNote(tx, scope, {
			id: deps.newId(),
			itemId: check.itemId,
			kind,
			details,
			note: command.note,
			happenedAt: now,
			receivedAt: now
		});
		return ok({ moved: await moveResults(deps, tx, scope, check.itemId) });
	});
}

/** Derives again what no longer fits what is known of a thing: its drops, its corrections. */
export async function deriveItemAgain(
	deps: Deps,
	scope: SiteScope,
	command: { readonly id: string; readonly waterId: string; readonly itemId: string }
): Promise<Result<{ readonly moved: number }>> {
	return once(deps, scope, 'derive-item', command, async (tx) => {
		const [item] = await shelfItemsByIds(tx, scope, [command.itemId]);
		if (!item) return fail('unknown-item', 'itemId');
		return ok({ moved: await moveResults(deps, tx, scope, command.itemId) });
	});
}
