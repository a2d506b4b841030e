import { SavePractice } from '$lib/contract/practice';
import { instant } from '$lib/core/time';
import { validate } from '$lib/server/validation/validator';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

export const POST = ((event) =>
	answerCommand(
		event,
		(body) => validate(SavePractice, body),
		async (open, command) => {
			const { people, practice } = event.locals.services;
			// On a tablet somebody else may sit before it by the time at which it comes in.
			const scope = await people.scopeThen(open.scope, instant(command.trials.at(-1)!.answeredAt));
			return practice.savePractice(scope, command);
		}
	)) satisfies RequestHandler;
