import { instant } from '$lib/core/time';
import { checkTestRun } from '$lib/server/validation/reading';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

export const POST = ((event) =>
	answerCommand(event, checkTestRun, async (open, command) => {
		const { people, reading } = event.locals.services;
		// On a tablet somebody else may read by the time at which it comes in.
		const scope = await people.scopeThen(open.scope, instant(command.finishedAt));
		return reading.saveTestRun(scope, command);
	})) satisfies RequestHandler;
