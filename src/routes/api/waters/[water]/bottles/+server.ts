import { checkBottle } from '$lib/server/validation/session';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

/** A bottle of the sample was put aside at the bench, for the laboratory. */
export const POST = ((event) =>
	answerCommand(event, checkBottle, (open, command) =>
		event.locals.services.log.recordEvent(open.scope, { ...command, kind: 'bottle-kept', details: {} })
	)) satisfies RequestHandler;
