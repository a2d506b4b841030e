import { fail, ok, type Result } from '$lib/core/result';
import {
	passkeysOf,
	removePasskey,
	endSession,
	endSessions,
	sessionsOf
} from '../repository/account-session.ts';
import type { AccountUser } from '../repository/account.ts';
import type { Person } from '../repository/people.ts';
import type { PooledDeps } from '../service/deps.ts';
import { leaveForGood } from '../service/people/leave.ts';
import { mailAddress, type Accounts } from './accounts.ts';
import type { SetCookie } from './cookies.ts';
import type { openPasskeys } from './passkeys.ts';
import type { openSecondFactor, SecondFactorStart } from './second-factor.ts';
import { tried } from './tries.ts';

interface Own {
	readonly deps: PooledDeps;
	readonly person: Person;
	readonly account: AccountUser;
	readonly accounts: Accounts;
	readonly passkeys: ReturnType<typeof openPasskeys>;
	readonly secondFactor: ReturnType<typeof openSecondFactor>;
	readonly headers: Headers;
	/** The one that this is asked with. */
	readonly sessionId: string | null;
}

/** What somebody sees of their account and does about it. What is hard to take back asks for the password first. */
export function openOwnAccount({ deps, person, account, sessionId, headers, ...doors }: Own) {
	const { accounts, passkeys, secondFactor } = doors;
	const { userId } = account;
	const { db } = deps;

	/** Guesses of the password of somebody who is signed in are counted like those of one who is not. */
	const knowing = <T>(password: string, work: () => Promise<Result<T>>): Promise<Result<T>> =>
		tried(deps, [{ key: `password of ${userId}` }], async () =>
			(await accounts.knowsPassword(userId, password)) ? work() : fail('wrong-password', 'password')
		);

	return {
		name: account.name,
		email: mailAddress(account.email),
		hasSecondFactor: account.secondFactor,
		passkeys: () => passkeysOf(db, userId),
		/** Where somebody is signed in, this place among them. */
		sessions: async () =>
			(await sessionsOf(db, userId, deps.clock.now())).map((s) => ({ ...s, isThis: s.id === sessionId })),

		endSession: async (id: string): Promise<Result<null>> =>
			(await endSession(db, userId, id)) ? ok(null) : fail('unknown-item', 'session'),
		endOtherSessions: () => endSessions(db, userId, sessionId),

		/** Whoever else was signed in by the old one is not any more. */
		changePassword: (password: string, wanted: string): Promise<Result<null>> =>
			knowing(password, async () => {
				await accounts.setPassword(userId, wanted);
				await endSessions(db, userId, sessionId);
				return ok(null);
			}),

		beginSecondFactor: (password: string): Promise<Result<SecondFactorStart>> =>
			knowing(password, () => secondFactor.begin(headers, password, account.name)),
		confirmSecondFactor: (code: string): Promise<Result<readonly SetCookie[]>> =>
			tried(deps, [{ key: `first code of ${userId}` }], () => secondFactor.show(headers, code)),
		endSecondFactor: (password: string): Promise<Result<readonly SetCookie[]>> =>
			knowing(password, () => secondFactor.end(headers, password)),

		askNewPasskey: (password: string) =>
			knowing(password, async () => ok(await passkeys.askNew(headers, account.name))),
		addPasskey: (name: string, response: unknown) => passkeys.add(headers, name, response),
		removePasskey: async (id: string): Promise<Result<null>> =>
			(await removePasskey(db, userId, id)) ? ok(null) : fail('unknown-item', 'passkey'),

		/** Takes the account away. What its person read stays, under "Former member". */
		remove: (password: string): Promise<Result<null>> =>
			knowing(password, async () => {
				const left = await leaveForGood(deps, person);
				if (left.ok) await accounts.forget(userId);
				return left;
			})
	};
}
