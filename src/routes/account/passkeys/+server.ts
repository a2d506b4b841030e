import { json } from '@sveltejs/kit';
import { LONGEST_NAME } from '$lib/contract/lengths';
import { ownAccount } from '../../accounts-here';
import { passkeyCommand, passkeyRefused } from '../../passkey-command';
import type { RequestHandler } from './$types';

const textOf = (value: unknown) => (typeof value === 'string' ? value.slice(0, 254) : '');

/** Asks the device of whoever knows the password for a new key, or takes the key that it made. */
export const POST = (async (event) => {
	const { locals } = event;
	const body = await passkeyCommand(event);
	if (body instanceof Response) return body;
	const account = await ownAccount(locals);
	if (!account) return json({ message: 'You are not signed in by an account.' }, { status: 401 });
	if (body.response === undefined) {
		const asked = await account.askNewPasskey(textOf(body.password));
		if (!asked.ok) return passkeyRefused(asked.fault);
		locals.setCookies(asked.value.cookies);
		return json({ options: asked.value.options });
	}
	const name = textOf(body.name).trim().slice(0, LONGEST_NAME) || 'Passkey';
	const added = await account.addPasskey(name, body.response);
	if (!added.ok) return passkeyRefused(added.fault);
	locals.setCookies(added.value);
	return json({ done: true });
}) satisfies RequestHandler;
