import type { Bottle, NoteItem } from '$lib/contract/shelf';
import { dropVolumeMl } from '$lib/core/method';
import { impossible, POSSIBLE } from '$lib/core/quantity';
import { fail, ok, type Fault, type Result } from '$lib/core/result';
import { instant, isFuture } from '$lib/core/time';
import type { ScopeFor } from '../../repository/scope.ts';
import { addShelfNote, shelfItemsByIds } from '../../repository/shelf.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

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

/** What of a note cannot be: more than was ever in a bottle, a drop that no dropper gives. */
function impossibleNote(command: NoteItem, bottles: readonly Bottle[]): Fault | null {
	if (command.kind === 'counted') {
		const { reagent, amount } = command.details;
		const bottle = bottles.find((b) => b.reagent === reagent);
		if (!bottle || amount <= bottle.full) return null;
		const unit = bottle.unit === 'ml' ? 'mL' : 'scoops';
		return { code: 'beyond-scale', field: 'amount', details: { least: 0, most: bottle.full, unit } };
	}
	if (command.kind !== 'drop-size') return null;
	const { dropMl } = meaningOf(command) as { readonly dropMl: number };
	const { by } = command.details.trial;
	return impossible(POSSIBLE.dropMl, dropMl, by === 'weighing' ? 'massG' : 'ml');
}

/** Notes something of a thing; what was read with it is derived again only when that is asked for. */
export async function noteItem(
	deps: PooledDeps,
	scope: ScopeFor<'equip'>,
	command: NoteItem
): Promise<Result<{ readonly noteId: string }>> {
	return once(deps, scope, 'note-item', command, async (tx, within) => {
		if (isFuture(command.happenedAt, within.clock.now())) return fail('in-the-future', 'happenedAt');
		const [item] = await shelfItemsByIds(tx, scope, [command.itemId]);
		if (!item) return fail('unknown-item', 'itemId');
		const { details } = command;
		if ('reagent' in details && !item.details.bottles.some((b) => b.reagent === details.reagent)) {
			return fail('unknown-item', 'reagent');
		}
		const fault = impossibleNote(command, item.details.bottles);
		if (fault) return { ok: false, fault };
		await addShelfNote(tx, scope, {
			id: command.id,
			itemId: command.itemId,
			kind: command.kind,
			details: meaningOf(command),
			note: command.note,
			happenedAt: instant(command.happenedAt),
			receivedAt: within.clock.now()
		});
		return ok({ noteId: command.id });
	});
}
