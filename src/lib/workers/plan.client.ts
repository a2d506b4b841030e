import type { Plan, PlanOutcome } from '$lib/core/bench';
import { inWorker } from './in-worker';
import type { PlanMessage, PlanRequest } from './plan.protocol';

/** Looks for an order away from the page. */
export function planInWorker(
	request: PlanRequest,
	signal: AbortSignal,
	onbetter: (plan: Plan) => void
): Promise<PlanOutcome> {
	const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
	return inWorker<PlanMessage, PlanOutcome>(worker, request, signal, (message, done) => {
		if (message.kind === 'better') onbetter(message.plan);
		else done(message.outcome);
	});
}
