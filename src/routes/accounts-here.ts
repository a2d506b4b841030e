import { error } from '@sveltejs/kit';
import type { AccountDoor, OwnAccount } from '$lib/server/account/door';

/**
 * How people come in here.
 *
 * @throws 404 where nobody can have an account
 */
export function accountsHere({ accounts }: App.Locals): AccountDoor {
	if (!accounts) error(404, { message: 'There is no such page.', code: 'not-found' });
	return accounts;
}

/** The account of whoever asks; null for whoever has none, such as the demo's keeper. */
export async function ownAccount(locals: App.Locals): Promise<OwnAccount | null> {
	const accounts = accountsHere(locals);
	return locals.person && locals.signedInBy === 'account' ? accounts.mine(locals.person) : null;
}
