import { checkTestRun } from '$lib/server/validation/reading';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

export const POST = ((event) =>
	answerCommand(event, checkTestRun, (open, command) =>
		event.locals.services.reading.saveTestRun(open.scope, command)
	)) satisfies RequestHandler;
