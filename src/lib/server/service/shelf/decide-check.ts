import type { DecideCheck } from '$lib/contract/shelf';
import type { KitFinding } from '$lib/core/comparison';
import { fail, ok, type Result } from '$lib/core/result';
import type { DatedNote, ItemNote } from '$lib/core/shelf';
import { instant } from '$lib/core/time';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { addShelfNote, checkById } from '../../repository/shelf.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';
import { moveResults, planMoves } from './item-moves.ts';

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
	deps: PooledDeps,
	scope: ScopeFor<'equip'>,
	command: DecideCheck
): Promise<Result<{ readonly moved: number }>> {
	return once(deps, scope, 'decide-check', command, async (tx, within) => {
		const check = await checkById(tx, scope, command.checkId);
		if (!check) return fail('unknown-item', 'checkId');
		if (command.decision === 'accept' && !check.finding.correction) return fail('no-finding', 'checkId');
		const now = within.clock.now();
		const notes: ItemNote[] = [decided(check, command)];
		if (command.retire) notes.push({ kind: 'retired' });
		for (const { kind, ...details } of notes) {
			await addShelfNote(tx, scope, {
				id: within.newId(),
				itemId: check.itemId,
				kind,
				details,
				note: command.note,
				happenedAt: now,
				receivedAt: now
			});
		}
		return ok({ moved: await moveResults(within, scope, check.itemId) });
	});
}
