import { checkDeriveAgain } from '$lib/server/validation/method';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

export const POST = ((event) =>
	answerCommand(event, checkDeriveAgain, (open, command) =>
		event.locals.services.method.deriveAgain(open.scope, command)
	)) satisfies RequestHandler;
