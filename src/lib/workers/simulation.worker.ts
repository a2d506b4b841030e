import { runSimulation } from './run-simulation';
import type { SimulationRequest } from './simulation.protocol';

self.onmessage = ({ data }: MessageEvent<SimulationRequest>) => {
	for (const message of runSimulation(data)) self.postMessage(message);
};
