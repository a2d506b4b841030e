// What whoever keeps the server does about accounts; called by account.mjs.
import { accountMeant, newResetLink } from '../src/lib/server/account/reset.ts';
import { clockSetting, idMaker, serverClock } from '../src/lib/server/clock.ts';
import { connect } from '../src/lib/server/db/connect.ts';
import { endSessions } from '../src/lib/server/repository/account-session.ts';
import { accountNames, dropSecondFactor } from '../src/lib/server/repository/account.ts';

const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
const what = process.env.TEVRIK_ACCOUNT_WHAT ?? 'list';
const name = process.env.TEVRIK_ACCOUNT_NAME ?? '';
const origin = process.env.TEVRIK_ADDRESS;
const connection = connect(url);
const clock = serverClock(clockSetting(process.env.TEVRIK_CLOCK, performance.timeOrigin + performance.now()));
const deps = { db: connection.db, clock, newId: idMaker(clock) };

async function listed(): Promise<string> {
	const names = await accountNames(deps.db);
	if (names.length === 0) return 'Nobody has an account. The next start prints a link for the first.';
	return ['Who can sign in:', ...names.map((n) => `  ${n}`)].join('\n');
}

async function answer(): Promise<string> {
	if (what === 'list') return listed();
	const account = await accountMeant(deps, name);
	if (!account) return `Nobody signs in as “${name}”.\n${await listed()}`;
	if (what === 'end') {
		await endSessions(deps.db, account.userId, null);
		return `${account.name} is signed out everywhere.`;
	}
	if (what === 'second-step-off') {
		await dropSecondFactor(deps.db, account.userId);
		await endSessions(deps.db, account.userId, null);
		return `${account.name} signs in by the password alone now, and is signed out everywhere.`;
	}
	const path = `/reset/${await newResetLink(deps, account)}`;
	return [
		`For ${account.name}, once, until tomorrow; those made before are void:`,
		origin ? `${origin}${path}` : `${path} (behind the address of this Tevrik)`
	].join('\n');
}

try {
	console.log(await answer());
} finally {
	await connection.close();
}
