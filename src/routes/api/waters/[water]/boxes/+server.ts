import { checkBoxCheck } from '$lib/server/validation/session';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

/** The box of a lot was looked through at the bench. */
export const POST = ((event) =>
	answerCommand(event, checkBoxCheck, (open, command) =>
		event.locals.services.shelf.checkBox(open.scope, command)
	)) satisfies RequestHandler;
