import { reckonBlend, reckonChange, reckonDaily } from '$lib/core/correction';
import type { ReckonAnswers, ReckonRequest } from './reckon.protocol';

/** The same on the server, for the first look, and in the worker, as one types. */
export function runReckoning<R extends ReckonRequest>(request: R): ReckonAnswers[R['kind']];
export function runReckoning(request: ReckonRequest): ReckonAnswers[ReckonRequest['kind']] {
	switch (request.kind) {
		case 'change':
			return reckonChange(request.given, request.wish);
		case 'daily':
			return reckonDaily(request.given, request.wish);
		case 'blend':
			return reckonBlend(request.wish);
	}
}
