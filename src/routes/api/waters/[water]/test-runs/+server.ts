import { SaveTestRun } from '$lib/contract/test-run';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

export const POST = ((event) =>
	answerCommand(event, SaveTestRun, (open, command) =>
		event.locals.services.saveTestRun(open.scope, command)
	)) satisfies RequestHandler;
