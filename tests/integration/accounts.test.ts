import mysql from 'mysql2/promise';
import { createHmac } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { addDays } from '../../src/lib/core/time/index.ts';
import { openAccounts, type Accounts } from '../../src/lib/server/account/accounts.ts';
import { newBeginning, openAccountDoor, type AccountDoor } from '../../src/lib/server/account/door.ts';
import { openLibrary } from '../../src/lib/server/account/library.ts';
import type { Mail } from '../../src/lib/server/account/mail.ts';
import { dropSecondFactor } from '../../src/lib/server/repository/account.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { openWorld, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

const SECRET = 'a secret that signs the cookies of this test';
const ROWAN = { displayName: 'Rowan', email: null, password: 'four odd green pumps' };

let database: OwnDatabase;
let world: World;
let raw: mysql.Connection;
let accounts: Accounts;
let doors: ReturnType<typeof openAccountDoor>;
const mails: Mail[] = [];
/** The door as somebody stands before it. */
const at = (address: string, headers = new Headers()): Omit<AccountDoor, 'hasAccounts' | 'sendsMail'> =>
	doors.for({ headers, address, hostname: 'localhost' });
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	raw = await mysql.createConnection(database.migrationUrl);
	accounts = openAccounts(world.deps.db, openLibrary(world.deps.db, SECRET, 'localhost'));
	doors = openAccountDoor(world.deps, SECRET, (mail) => Promise.resolve(void mails.push(mail)));
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
		const cut = await accounts.signUp(
			{ name: ROWAN.displayName, password: ROWAN.password, email: null },
			new Headers()
		);
		expect(cut.ok).toBe(true);
		const before = (await newBeginning(world.deps))!;
		expect(await rows('select id from auth_user')).toEqual([]);
		expect(await at('home').linkStands(before)).toBe(true);
	});

	it('is made by a link, once, however many press at the same moment', async () => {
		const token = (await newBeginning(world.deps))!;
		expect(await at('home').linkStands(token)).toBe(true);
		const both = await Promise.all([
			at('home').begin(token, ROWAN),
			at('home').begin(token, { ...ROWAN, displayName: 'Somebody else' })
		]);
		expect(both.filter((o) => o.ok)).toHaveLength(1);
		expect(both.find((o) => !o.ok)).toMatchObject({ fault: { code: 'link-over' } });
		expect(await at('home').linkStands(token)).toBe(false);
		// From then on no link is made at all.
		expect(await newBeginning(world.deps)).toBeNull();
	});

	it('by a void, an old or an invented link is not made', async () => {
		for (const token of ['', 'x'.repeat(32)]) {
			expect(await at('home').begin(token, { ...ROWAN, displayName: 'Nobody' })).toMatchObject({
				ok: false,
				fault: { code: 'link-over' }
			});
		}
	});
});

describe('a session', () => {
	it('belongs to whoever signed in, and ends when they sign out', async () => {
		const who = (await signedIn()).headers;
		expect((await at('home', who).whoAsks(false)).person).toMatchObject({
			displayName: expect.stringMatching(/./)
		});
		await at('home', who).signOut();
		expect((await at('home', who).whoAsks(false)).person).toBeNull();
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
			expect((await at('home', forged).whoAsks(false)).person).toBeNull();
		}
	});

	it('is not opened by a wrong password, nor by a name that nobody has, and both are told alike', async () => {
		const name = await nameInUse();
		const wrong = await at('a').signIn({ name, password: 'not the password' });
		const nobody = await at('a').signIn({ name: 'nobody at all', password: 'not the password' });
		expect(wrong).toEqual(nobody);
		expect(wrong).toMatchObject({ ok: false, fault: { code: 'wrong-sign-in' } });
	});

	it('is refused in the same time whether the name is known or not', async () => {
		const name = await nameInUse();
		const took = async (whom: string, i: number) => {
			const begun = performance.now();
			await at(`timing ${i}`).signIn({ name: whom, password: 'not the password' });
			return performance.now() - begun;
		};
		const known: number[] = [];
		const unknown: number[] = [];
		// In turn, so that whatever else the machine does falls on both.
		for (let i = 0; i < 15; i++) {
			known.push(await took(name, i));
			unknown.push(await took(`nobody ${i}`, i));
		}
		const median = (all: number[]) => all.sort((a, b) => a - b)[Math.floor(all.length / 2)]!;
		const ratio = median(known) / median(unknown);
		expect(ratio).toBeGreaterThan(0.6);
		expect(ratio).toBeLessThan(1.6);
	});

	it('is found by a name however it is spelt in case and space', async () => {
		const name = (await nameInUse()).toUpperCase();
		expect((await at('b').signIn({ name: `  ${name} `, password: ROWAN.password })).ok).toBe(true);
	});

	it('has to wait after too many tries of one name from one address', async () => {
		const name = await nameInUse();
		const tries = [];
		for (let i = 0; i < 12; i++) tries.push(await at('mallory').signIn({ name, password: `guess ${i}` }));
		expect(tries.at(-1)).toMatchObject({ ok: false, fault: { code: 'too-many-tries' } });
		expect((await at('home').signIn({ name, password: ROWAN.password })).ok).toBe(true);
	});
});

describe('a token', () => {
	const day = (n: number) => {
		world.now = addDays(world.now, n);
	};
	/** Who a browser with these cookies is, and what it is given in their place. */
	async function page(headers: Headers) {
		const { person, cookies } = await at('home', headers).whoAsks(true);
		return {
			person,
			renewed: cookies.some((c) => c.name.includes('session_token')) ? cookieOf(cookies) : null
		};
	}

	it('is replaced after a day, and the old one is good until the new one was shown', async () => {
		const { headers } = await signedIn();
		// As it was made by the clock of the machine, which the test's is not.
		await rows('update auth_session set created_at = timestamp("2026-11-20 12:00:00")');
		expect((await page(headers)).renewed).toBeNull();
		day(1.1);
		const { renewed } = await page(headers);
		expect(renewed).not.toBeNull();
		// The answer may have been lost: the old one still opens, and is given another.
		day(0.1);
		const again = await page(headers);
		expect(again.person).not.toBeNull();
		expect(again.renewed).not.toBeNull();
		expect((await page(renewed!)).person).toBeNull();
		expect((await page(again.renewed!)).person).not.toBeNull();
	});

	it('that was replaced and is shown again ends the session for both', async () => {
		const { headers } = await signedIn();
		await rows('update auth_session set created_at = timestamp("2026-11-20 12:00:00")');
		day(1.1);
		const renewed = (await page(headers)).renewed!;
		expect((await page(renewed)).person).not.toBeNull();
		// What was asked at the same time is no thief.
		expect((await page(headers)).person).not.toBeNull();
		day(0.1);
		expect((await page(headers)).person).toBeNull();
		expect((await page(renewed)).person).toBeNull();
	});

	it('that nobody signed is nobody’s, and nothing of what was there before a sign-in is taken over', async () => {
		const { headers, token } = await signedIn();
		const forged = new Headers({ cookie: `tevrik.session_token=${token}.AAAA` });
		expect((await page(forged)).person).toBeNull();
		const name = await nameInUse();
		const before = await at('home', headers).signIn({ name, password: ROWAN.password });
		if (!before.ok) throw new Error('not signed in');
		expect(before.value.cookies.find((c) => c.name.includes('session_token'))!.value).not.toContain(token);
	});
});

describe('one’s own account', () => {
	async function mine(headers: Headers) {
		const { person } = await at('home', headers).whoAsks(false);
		return (await at('home', headers).mine(person!))!;
	}

	it('shows where it is signed in, and ends it there', async () => {
		const [here, there] = [await signedIn(), await signedIn()];
		const account = await mine(here.headers);
		const sessions = await account.sessions();
		expect(sessions.filter((s) => s.isThis)).toHaveLength(1);
		await account.endOtherSessions();
		expect(await account.sessions()).toHaveLength(1);
		expect((await at('home', there.headers).whoAsks(false)).person).toBeNull();
		expect((await at('home', here.headers).whoAsks(false)).person).not.toBeNull();
		expect(await account.endSession('another')).toMatchObject({ fault: { code: 'unknown-item' } });
	});

	it('asks for the password before it is changed, and counts what is guessed', async () => {
		const account = await mine((await signedIn()).headers);
		const tries = [];
		for (let i = 0; i < 7; i++) tries.push(await account.changePassword(`guess ${i}`, 'something longer'));
		expect(tries[0]).toMatchObject({ fault: { code: 'wrong-password' } });
		expect(tries.at(-1)).toMatchObject({ fault: { code: 'too-many-tries' } });
		world.now = addDays(world.now, 2);
		expect(await account.changePassword(ROWAN.password, 'five odd green pumps')).toMatchObject({ ok: true });
		expect(await account.changePassword('five odd green pumps', ROWAN.password)).toMatchObject({ ok: true });
	});

	it('takes a second step: the code of this half minute, or a spare code once', async () => {
		const { headers } = await signedIn();
		const account = await mine(headers);
		const begun = await account.beginSecondFactor(ROWAN.password);
		if (!begun.ok) throw new Error(begun.fault.code);
		const secret = new URL(begun.value.uri).searchParams.get('secret')!;
		expect(begun.value.uri).toContain(encodeURIComponent(account.name));
		// What would be read from a copy of the database is enciphered.
		const [kept] = await rows<{ secret: string; backup_codes: string }>('select * from auth_two_factor');
		expect(kept!.backup_codes).not.toContain(begun.value.spareCodes[0]!);
		expect(await account.confirmSecondFactor('000000')).toMatchObject({
			fault: { code: 'wrong-second-factor' }
		});
		expect(await account.confirmSecondFactor(totp(secret, Date.now()))).toMatchObject({ ok: true });

		const name = await nameInUse();
		const signIn = async () => {
			const first = await at('home').signIn({ name, password: ROWAN.password });
			if (!first.ok) throw new Error(first.fault.code);
			expect(first.value.asksCode).toBe(true);
			const half = cookieOf(first.value.cookies.filter((c) => c.maxAge !== 0));
			expect((await at('home', half).whoAsks(false)).person).toBeNull();
			return half;
		};
		expect(await at('home', await signIn()).signInByCode('000000')).toMatchObject({ ok: false });
		const byTime = await at('home', await signIn()).signInByCode(totp(secret, Date.now()));
		expect(byTime).toMatchObject({ ok: true });
		const spare = begun.value.spareCodes[1]!;
		const bySpare = await at('home', await signIn()).signInByCode(spare);
		expect(bySpare).toMatchObject({ ok: true });
		expect(await at('home', await signIn()).signInByCode(spare)).toMatchObject({ ok: false });

		const again = await mine(cookieOf(bySpare.ok ? bySpare.value : []));
		expect(await again.endSecondFactor(ROWAN.password)).toMatchObject({ ok: true });
		// Whoever lost both has it taken off at the server.
		await rows('update auth_user set two_factor_enabled = 1');
		const [user] = await rows<{ id: string }>('select id from auth_user');
		await dropSecondFactor(world.deps.db, user!.id);
		const plainly = await at('home').signIn({ name, password: ROWAN.password });
		expect(plainly).toMatchObject({ ok: true, value: { asksCode: false } });
	});

	it('that was forgotten is reset by a link, once, and nobody learns who has one', async () => {
		const name = await nameInUse();
		const [user] = await rows<{ id: string }>('select id from auth_user');
		await rows(`update auth_user set email = 'rowan@example.org' where id = '${user!.id}'`);
		const { headers } = await signedIn();
		const ask = (whom: string) => at('home').reset.ask(whom, (token) => `https://here/reset/${token}`);
		expect([await ask('rowan@example.org'), await ask('nobody@example.org'), await ask(name)]).toEqual(
			Array.from({ length: 3 }, () => ({ ok: true, value: null }))
		);
		await vi.waitFor(() => expect(mails).toHaveLength(2));
		expect(mails.map((m) => m.to)).toEqual(['rowan@example.org', 'rowan@example.org']);
		const tokens = mails.map((m) => /reset\/(\S+)/.exec(m.text)![1]!);
		for (const token of tokens) {
			expect(await rows(`select * from reset_link where token_digest = '${token}'`)).toEqual([]);
		}
		const stand = await Promise.all(tokens.map((token) => at('home').reset.stands(token)));
		// Two at once: the later one made the earlier void.
		expect(stand.filter(Boolean).length).toBeGreaterThanOrEqual(1);
		const token = tokens[stand.lastIndexOf(true)]!;
		const both = await Promise.all(
			['six odd green pumps', 'ten odd green pumps'].map((p) => at('home').reset.choose(token, p))
		);
		expect(both.filter((o) => o.ok)).toHaveLength(1);
		expect((await at('home', headers).whoAsks(false)).person).toBeNull();
		const chosen = both[0]!.ok ? 'six odd green pumps' : 'ten odd green pumps';
		expect(await at('home').signIn({ name, password: chosen })).toMatchObject({ ok: true });
		expect(await at('home').signIn({ name, password: ROWAN.password })).toMatchObject({ ok: false });
		expect(await at('home').reset.choose('x'.repeat(43), chosen)).toMatchObject({
			fault: { code: 'link-over' }
		});
	});
});

/** @see RFC 6238 */
function totp(secret: string, ms: number): string {
	const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';
	const bits = [...secret.replace(/=+$/, '')]
		.map((c) => BASE32.indexOf(c).toString(2).padStart(5, '0'))
		.join('');
	const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((b) => parseInt(b, 2)));
	const counter = Buffer.alloc(8);
	counter.writeBigUInt64BE(BigInt(Math.floor(ms / 30_000)));
	const digest = createHmac('sha1', key).update(counter).digest();
	const code = digest.readUInt32BE(digest.at(-1)! & 15) & 0x7fffffff;
	return String(code % 1_000_000).padStart(6, '0');
}

async function nameInUse(): Promise<string> {
	const [row] = await rows<{ name: string }>('select name from auth_user');
	return row!.name;
}

async function signedIn() {
	const made = await at('test').signIn({ name: await nameInUse(), password: ROWAN.password });
	if (!made.ok) throw new Error(`not signed in: ${made.fault.code}`);
	const token = made.value.cookies.find((c) => c.name.includes('session_token'))!.value.split('.')[0]!;
	return { headers: cookieOf(made.value.cookies), token };
}
