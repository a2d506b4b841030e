import { randomBytes } from 'node:crypto';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays } from '$lib/core/time';
import { digestOf } from '../digest.ts';
import { endSessions } from '../repository/account-session.ts';
import { accountNamed, type AccountUser } from '../repository/account.ts';
import { accountOfReset, addResetLink, claimReset } from '../repository/reset-link.ts';
import type { PooledDeps } from '../service/deps.ts';
import { mailAddress, type Accounts } from './accounts.ts';
import { nameForSignIn } from './library.ts';
import type { SendMail } from './mail.ts';
import { tried } from './tries.ts';

/** So long a link for a new password is good. */
const LINK_DAYS = 1;

/** A link for an account, by which its password is chosen anew, once; those before it are void. */
export async function newResetLink(
	deps: PooledDeps,
	{ userId }: Pick<AccountUser, 'userId'>
): Promise<string> {
	const token = randomBytes(32).toString('base64url');
	const createdAt = deps.clock.now();
	await addResetLink(deps.db, {
		tokenDigest: digestOf(token),
		userId,
		createdAt,
		expiresAt: addDays(createdAt, LINK_DAYS)
	});
	return token;
}

/** The account that somebody means by a name or an address. */
export function accountMeant(deps: PooledDeps, name: string): Promise<AccountUser | null> {
	return accountNamed(deps.db, nameForSignIn(name));
}

interface Resetting {
	readonly deps: PooledDeps;
	readonly accounts: Accounts;
	readonly mail: SendMail | null;
	readonly address: string;
}

export function openReset({ deps, accounts, mail, address }: Resetting) {
	return {
		/**
		 * Sends a link where mail reaches whoever is meant. The answer is the same in any case, and does not wait for it:
		 * nobody learns from it who has an account.
		 */
		async ask(name: string, linkOf: (token: string) => string): Promise<Result<null>> {
			return tried(deps, [{ key: `reset from ${address}`, free: 10, always: true }], () => {
				const send = async () => {
					const account = mail && (await accountMeant(deps, name));
					const to = account && mailAddress(account.email);
					if (!mail || !account || !to) return;
					const link = linkOf(await newResetLink(deps, account));
					await mail({
						to,
						subject: 'A new password for Tevrik',
						text: `Hello ${account.name},\n\nwhoever asked for a new password can choose one here, once, until tomorrow:\n\n${link}\n\nIf it was not you, leave it: nothing has changed.\n`
					});
				};
				send().catch((fault: Error) => deps.report?.(fault, 'a mail with a link for a new password'));
				return Promise.resolve(ok(null));
			});
		},

		stands: async (token: string): Promise<boolean> =>
			(await accountOfReset(deps.db, digestOf(token), deps.clock.now())) !== null,

		/** Chooses a password by a link. Whoever was signed in is not any more. */
		async choose(token: string, password: string): Promise<Result<null>> {
			const [digest, now] = [digestOf(token), deps.clock.now()];
			const userId = await accountOfReset(deps.db, digest, now);
			if (userId === null || !(await claimReset(deps.db, digest, now))) return fail('link-over', 'password');
			await accounts.setPassword(userId, password);
			await endSessions(deps.db, userId, null);
			return ok(null);
		}
	};
}
