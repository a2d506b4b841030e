import type { PlanRequest } from './plan.protocol';
import { runPlan } from './run-plan';

onmessage = ({ data }: MessageEvent<PlanRequest>) => {
	const from = performance.now();
	runPlan(
		data,
		() => performance.now() - from,
		(message) => postMessage(message)
	);
};
