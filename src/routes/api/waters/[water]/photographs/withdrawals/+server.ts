import { TakePhotographBack } from '$lib/contract/photograph';
import { validate } from '$lib/server/validation/validator';
import { answerCommand } from '../../../../command';
import type { RequestHandler } from './$types';

const check = (body: unknown) => validate(TakePhotographBack, body);

export const POST = ((event) =>
	answerCommand(event, check, (open, command) =>
		event.locals.services.log.takePhotographBack(open.scope, command)
	)) satisfies RequestHandler;
