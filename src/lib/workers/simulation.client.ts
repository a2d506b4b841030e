import type { SimulatedInterval } from '$lib/core/uncertainty';
import type { SimulationMessage, SimulationRequest } from './simulation.protocol';

/**
 * Runs a simulation away from the page. Stopping it ends the worker.
 *
 * @returns null where there is nothing to simulate
 */
export function simulateInWorker(
	request: SimulationRequest,
	signal: AbortSignal,
	onprogress: (share: number) => void
): Promise<SimulatedInterval | null> {
	return new Promise((resolve, reject) => {
		const worker = new Worker(new URL('./simulation.worker.ts', import.meta.url), { type: 'module' });
		const end = (act: () => void) => {
			worker.terminate();
			act();
		};
		signal.addEventListener('abort', () => end(() => reject(new DOMException('stopped', 'AbortError'))), {
			once: true
		});
		worker.onerror = (event) => end(() => reject(new Error(event.message)));
		worker.onmessage = ({ data }: MessageEvent<SimulationMessage>) => {
			if (data.kind === 'progress') onprogress(data.share);
			else end(() => resolve(data.kind === 'done' ? data.result : null));
		};
		worker.postMessage(structuredClone(request));
	});
}
