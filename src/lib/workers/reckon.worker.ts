import type { ReckonMessage, ReckonRequest } from './reckon.protocol';
import { runReckoning } from './run-reckoning';

self.onmessage = ({ data: { turn, request } }: MessageEvent<{ turn: number; request: ReckonRequest }>) => {
	const message = ((): ReckonMessage => {
		try {
			return { turn, kind: 'done', answer: runReckoning(request) };
		} catch (error) {
			return { turn, kind: 'failed', message: error instanceof Error ? error.message : String(error) };
		}
	})();
	self.postMessage(message);
};
