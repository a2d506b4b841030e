import { json } from '@sveltejs/kit';
import { accountsHere } from '../../accounts-here';
import { passkeyCommand, passkeyRefused } from '../../passkey-command';
import type { RequestHandler } from './$types';

/** Asks a device to sign, or takes what it signed. */
export const POST = (async (event) => {
	const { locals } = event;
	const accounts = accountsHere(locals);
	const body = await passkeyCommand(event);
	if (body instanceof Response) return body;
	if (body.response === undefined) {
		const { options, cookies } = await accounts.askPasskey();
		locals.setCookies(cookies);
		return json({ options });
	}
	const outcome = await accounts.signInByPasskey(body.response);
	if (!outcome.ok) return passkeyRefused(outcome.fault);
	locals.setCookies(outcome.value);
	return json({ done: true });
}) satisfies RequestHandler;
