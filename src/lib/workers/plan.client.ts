import type { Plan, PlanOutcome } from '$lib/core/bench';
import type { PlanMessage, PlanRequest } from './plan.protocol';

/** Looks for an order away from the page. Stopping it ends the worker. */
export function planInWorker(
	request: PlanRequest,
	signal: AbortSignal,
	onbetter: (plan: Plan) => void
): Promise<PlanOutcome> {
	return new Promise((resolve, reject) => {
		const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
		const end = (act: () => void) => {
			worker.terminate();
			act();
		};
		signal.addEventListener('abort', () => end(() => reject(new DOMException('stopped', 'AbortError'))), {
			once: true
		});
		worker.onerror = (event) => end(() => reject(new Error(event.message)));
		worker.onmessage = ({ data }: MessageEvent<PlanMessage>) => {
			if (data.kind === 'better') onbetter(data.plan);
			else end(() => resolve(data.outcome));
		};
		worker.postMessage(structuredClone(request));
	});
}
