import type { SimulatedInterval } from '$lib/core/uncertainty';
import { inWorker } from './in-worker';
import type { SimulationMessage, SimulationRequest } from './simulation.protocol';

/**
 * Runs a simulation away from the page.
 *
 * @returns null where there is nothing to simulate
 */
export function simulateInWorker(
	request: SimulationRequest,
	signal: AbortSignal,
	onprogress: (share: number) => void
): Promise<SimulatedInterval | null> {
	const worker = new Worker(new URL('./simulation.worker.ts', import.meta.url), { type: 'module' });
	return inWorker<SimulationMessage, SimulatedInterval | null>(worker, request, signal, (message, done) => {
		if (message.kind === 'progress') onprogress(message.share);
		else done(message.kind === 'done' ? message.result : null);
	});
}
