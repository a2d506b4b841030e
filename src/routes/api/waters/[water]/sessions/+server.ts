import { checkSession } from '$lib/server/validation/session';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

export const POST = ((event) =>
	answerCommand(event, checkSession, (open, command) =>
		event.locals.services.bench.saveSession(open.scope, command)
	)) satisfies RequestHandler;
