import { SaveReport } from '$lib/contract/laboratory';
import { validate } from '$lib/server/validation/validator';
import { answerCommand } from '../../../command';
import type { RequestHandler } from './$types';

export const POST = ((event) =>
	answerCommand(
		event,
		(body) => validate(SaveReport, body),
		(open, command) => event.locals.services.laboratory.saveReport(open.scope, command)
	)) satisfies RequestHandler;
