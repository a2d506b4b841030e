import { checkSaveMethod } from '$lib/server/validation/method';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

export const POST = ((event) =>
	answerCommand(event, checkSaveMethod, (open, command) =>
		event.locals.services.method.saveMethod(open.scope, command)
	)) satisfies RequestHandler;
