import type { NotePractice, SavePractice } from '$lib/contract/practice';
import { stepsFor } from '$lib/core/method';
import { fail, ok, type Result } from '$lib/core/result';
import { instant, isFuture } from '$lib/core/time';
import { membersOf } from '../../repository/member.ts';
import { adoptedMethods } from '../../repository/method.ts';
import { addPracticeNote, addTrials } from '../../repository/practice.ts';
import type { ScopeFor } from '../../repository/scope.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Keeps exercises as they were answered. They change no result: that is decided apart. */
export async function savePractice(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: SavePractice
): Promise<Result<{ readonly kept: number }>> {
	return once(deps, scope, 'save-practice', command, async (tx, within) => {
		within.touch('nothing');
		const now = within.clock.now();
		const ahead = command.trials.findIndex((t) => isFuture(t.answeredAt, now));
		if (ahead >= 0) return fail('in-the-future', `trials.${ahead}.answeredAt`);
		await addTrials(
			tx,
			scope,
			command.trials.map(({ answeredAt, trial }) => ({
				id: within.newId(),
				at: instant(answeredAt),
				trial,
				receivedAt: now
			}))
		);
		return ok({ kept: command.trials.length });
	});
}

/** Says whether others see how one practises. */
export async function sharePractice(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: NotePractice
): Promise<Result<{ readonly noted: true }>> {
	return once(deps, scope, 'share-practice', command, async (tx, within) => {
		within.touch('nothing');
		if (command.deed.kind !== 'share') return fail('invalid-field', 'deed', { rule: 'missing' });
		await addPracticeNote(tx, scope, { id: command.id, deed: command.deed, at: within.clock.now() });
		return ok({ noted: true as const });
	});
}

/** A mentor sets somebody a lesson, or leaves a note at a step. */
export async function mentorPractice(
	deps: PooledDeps,
	scope: ScopeFor<'decide'>,
	command: NotePractice
): Promise<Result<{ readonly noted: true }>> {
	return once(deps, scope, 'mentor-practice', command, async (tx, within) => {
		within.touch('nothing');
		const { deed } = command;
		const now = within.clock.now();
		const methods = (await adoptedMethods(tx, scope)).map((m) => m.method);
		if (deed.kind === 'share') return fail('invalid-field', 'deed', { rule: 'missing' });
		if (deed.kind === 'lesson') {
			const members = await membersOf(tx, scope, now);
			if (!members.some((m) => m.id === deed.forMember && !m.isPlace))
				return fail('unknown-item', 'forMember');
			const { subject } = deed;
			if (subject.kind !== 'scale' && !methods.some((m) => m.code === subject.methodCode)) {
				return fail('unknown-item', 'methodCode');
			}
		} else {
			const method = methods.find((m) => m.code === deed.methodCode);
			if (!method) return fail('unknown-item', 'methodCode');
			if (!stepsFor(method, 'full').some((s) => s.id === deed.stepId)) return fail('unknown-item', 'stepId');
		}
		await addPracticeNote(tx, scope, { id: command.id, deed, at: now });
		return ok({ noted: true as const });
	});
}
