import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openAccounts, type Accounts } from '../../src/lib/server/account/accounts.ts';
import { accountDoor, newBeginning, type AccountDoor } from '../../src/lib/server/account/door.ts';
import mysql from 'mysql2/promise';
import type { OwnDatabase } from '../support/engine.ts';
import { openWorld, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

const SECRET = 'a secret that signs the cookies of this test';
const ROWAN = { displayName: 'Rowan', email: null, password: 'four odd green pumps' };

let database: OwnDatabase;
let world: World;
let raw: mysql.Connection;
let accounts: Accounts;
let door: AccountDoor;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	raw = await mysql.createConnection(database.migrationUrl);
	accounts = openAccounts(world.deps.db, SECRET);
	door = accountDoor(world.deps, accounts);
});
afterAll(async () => {
	await Promise.all([world.close(), raw.end()]);
	await database.drop();
});

async function rows<T>(sql: string): Promise<T[]> {
	const [found] = await raw.query<mysql.RowDataPacket[]>(sql);
	return found as T[];
}

const cookieOf = (cookies: readonly { name: string; value: string }[]) =>
	new Headers({ cookie: cookies.map((c) => `${c.name}=${encodeURIComponent(c.value)}`).join('; ') });

describe('the first account', () => {
	it('whose making was cut off keeps its name from nobody', async () => {
		// As if the machine had stopped between the account and its person.
		const cut = await accounts.signUp({ name: ROWAN.displayName, password: ROWAN.password, email: null });
		expect(cut.ok).toBe(true);
		const before = (await newBeginning(world.deps))!;
		expect(await rows('select id from auth_user')).toEqual([]);
		expect(await door.linkStands(before)).toBe(true);
	});

	it('is made by a link, once, however many press at the same moment', async () => {
		const token = (await newBeginning(world.deps))!;
		expect(await door.linkStands(token)).toBe(true);
		const both = await Promise.all([
			door.begin(token, ROWAN),
			door.begin(token, { ...ROWAN, displayName: 'Somebody else' })
		]);
		expect(both.filter((o) => o.ok)).toHaveLength(1);
		expect(both.find((o) => !o.ok)).toMatchObject({ fault: { code: 'link-over' } });
		expect(await door.linkStands(token)).toBe(false);
		// From then on no link is made at all.
		expect(await newBeginning(world.deps)).toBeNull();
	});

	it('by a void, an old or an invented link is not made', async () => {
		for (const token of ['', 'x'.repeat(32)]) {
			expect(await door.begin(token, { ...ROWAN, displayName: 'Nobody' })).toMatchObject({
				ok: false,
				fault: { code: 'link-over' }
			});
		}
	});
});

describe('a session', () => {
	it('belongs to whoever signed in, and ends when they sign out', async () => {
		const who = (await signedIn()).headers;
		expect((await door.whoAsks(who)).person).toMatchObject({ displayName: expect.stringMatching(/./) });
		await door.signOut(who);
		expect((await door.whoAsks(who)).person).toBeNull();
	});

	it('is kept as a digest alone: what stands in the database opens nothing', async () => {
		const { headers, token } = await signedIn();
		const kept = await rows<{ token: string }>('select token from auth_session');
		expect(kept.length).toBeGreaterThan(0);
		for (const row of kept) {
			expect(row.token).toMatch(/^[0-9a-f]{64}$/);
			expect(token).not.toContain(row.token);
			// A copy of the row, signed as its own cookie would be, is nobody's.
			const forged = new Headers({ cookie: headers.get('cookie')!.replace(token, row.token) });
			expect((await door.whoAsks(forged)).person).toBeNull();
		}
	});

	it('is not opened by a wrong password, nor by a name that nobody has, and both are told alike', async () => {
		const name = await nameInUse();
		const wrong = await door.signIn({ name, password: 'not the password' }, 'a');
		const nobody = await door.signIn({ name: 'nobody at all', password: 'not the password' }, 'a');
		expect(wrong).toEqual(nobody);
		expect(wrong).toMatchObject({ ok: false, fault: { code: 'wrong-sign-in' } });
	});

	it('is found by a name however it is spelt in case and space', async () => {
		const name = (await nameInUse()).toUpperCase();
		expect((await door.signIn({ name: `  ${name} `, password: ROWAN.password }, 'b')).ok).toBe(true);
	});

	it('has to wait after too many tries of one name from one address', async () => {
		const name = await nameInUse();
		const tries = [];
		for (let i = 0; i < 12; i++) tries.push(await door.signIn({ name, password: `guess ${i}` }, 'mallory'));
		expect(tries.at(-1)).toMatchObject({ ok: false, fault: { code: 'too-many-tries' } });
		expect((await door.signIn({ name, password: ROWAN.password }, 'home')).ok).toBe(true);
	});
});

async function nameInUse(): Promise<string> {
	const [row] = await rows<{ name: string }>('select name from auth_user');
	return row!.name;
}

async function signedIn() {
	const made = await door.signIn({ name: await nameInUse(), password: ROWAN.password }, 'test');
	if (!made.ok) throw new Error(`not signed in: ${made.fault.code}`);
	const token = made.value.find((c) => c.name.includes('session_token'))!.value.split('.')[0]!;
	return { headers: cookieOf(made.value), token };
}
