import type { KeepReading } from '$lib/contract/test-run';
import { fail, ok, type Result } from '$lib/core/result';
import type { ScopeFor } from '../../repository/scope.ts';
import { addSlipAnswer, runExists } from '../../repository/slip.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** A reading that was asked about stands as it was entered: it is kept so, and not asked about again. */
export async function keepReading(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: KeepReading
): Promise<Result<{ readonly runId: string }>> {
	return once(deps, scope, 'keep-reading', command, async (tx, within) => {
		const { id, runId, kind } = command;
		if (!(await runExists(tx, scope, runId))) return fail('unknown-item', 'runId');
		await addSlipAnswer(tx, scope, { id, runId, kind, answer: 'as-entered', answeredAt: within.clock.now() });
		return ok({ runId });
	});
}
