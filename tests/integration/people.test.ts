import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Invite } from '../../src/lib/contract/people.ts';
import type { Role } from '../../src/lib/core/access/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { faultText } from '../../src/lib/format/faults/faults.ts';
import { openAccountDoor } from '../../src/lib/server/account/door.ts';
import type { Person } from '../../src/lib/server/repository/people.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { openWorld, testRun, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

let database: OwnDatabase;
let world: World;
let raw: mysql.Connection;
let site: Awaited<ReturnType<World['site']>>;
let doors: ReturnType<typeof openAccountDoor>;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	raw = await mysql.createConnection(database.migrationUrl);
	site = await world.site('people');
	doors = openAccountDoor(world.deps, 'a secret that signs the cookies of this test', null);
});
afterAll(async () => {
	await Promise.all([world.close(), raw.end()]);
	await database.drop();
});

const door = (headers = new Headers()) => doors.for({ headers, address: 'home', hostname: 'localhost' });
const owner = async () => (await world.open(site.waterId)).scope;
const people = () => world.services.people;
let names = 0;
const somebody = () => ({ displayName: `Member ${++names}`, email: null, password: 'four odd green pumps' });

async function invited(over: Partial<Invite> = {}) {
	const made = await people().invite(await owner(), {
		...{ id: world.deps.newId(), forWhom: 'Mika', role: 'helper', linkDays: 7 },
		...{ memberUntil: null, withCode: false },
		...over
	});
	if (!made.ok) throw new Error(faultText(made.fault));
	return made.value;
}
/** Somebody who came in by an invitation, with the right that comes of it. */
async function joined(role: Role): Promise<{ person: Person; scope: SiteScope }> {
	const { token } = await invited({ role });
	const came = await door().join(token, '', somebody());
	if (!came.ok) throw new Error(faultText(came.fault));
	const headers = new Headers({
		cookie: came.value.map((c) => `${c.name}=${encodeURIComponent(c.value)}`).join('; ')
	});
	const { person } = await door(headers).whoAsks(false);
	return { person: person!, scope: (await world.services.water.openWater(person!, site.waterId))!.scope };
}
const memberIdOf = async (name: string) =>
	(await people().readPeople(await owner())).members.find((m) => m.name === name)!.id;
async function accounts(): Promise<number> {
	const [[row]] = await raw.query<mysql.RowDataPacket[]>('select count(*) as n from auth_user');
	return Number(row!.n);
}

describe('an invitation', () => {
	it('lets one person in, however many press at the same moment, and leaves no account of the others', async () => {
		const { token } = await invited();
		const before = await accounts();
		const all = await Promise.all([1, 2, 3].map(() => door().join(token, '', somebody())));
		expect(all.filter((o) => o.ok)).toHaveLength(1);
		for (const o of all.filter((o) => !o.ok)) {
			expect(o).toMatchObject({ fault: { code: 'invitation-over', details: { why: 'used' } } });
		}
		expect(await accounts()).toBe(before + 1);
		expect(await people().readInvitation(token)).toMatchObject({ ok: false });
	});

	it('that comes late, was taken back or was made up says so, and lets nobody in', async () => {
		const late = await invited({ linkDays: 1 });
		const back = await invited({ forWhom: 'Somebody who is not coming' });
		const open = (await people().readPeople(await owner())).invitations.find((i) =>
			/not coming/.test(i.forWhom)
		)!;
		const revoke = { id: world.deps.newId(), invitationId: open.id };
		expect(await people().takeInvitationBack(await owner(), revoke)).toMatchObject({ ok: true });
		world.now = addDays(world.now, 1.01);
		const before = await accounts();
		for (const [token, why] of [
			[late.token, 'late'],
			[back.token, 'revoked'],
			['x'.repeat(43), 'unknown']
		] as const) {
			const outcome = await door().join(token, '', somebody());
			expect(outcome).toMatchObject({ fault: { code: 'invitation-over', details: { why } } });
			if (!outcome.ok) expect(faultText(outcome.fault)).toMatch(/Ask whoever invited you/);
		}
		expect(await accounts()).toBe(before);
	});

	it('with a code lets nobody in who does not know it, and counts what is guessed', async () => {
		const { token, code } = await invited({ withCode: true });
		expect(code).toMatch(/^\d{6}$/);
		const wrong = code === '000000' ? '111111' : '000000';
		const tries = [];
		for (let i = 0; i < 7; i++) tries.push(await door().join(token, wrong, somebody()));
		expect(tries[0]).toMatchObject({ fault: { code: 'wrong-code', field: 'code' } });
		expect(tries.at(-1)).toMatchObject({ fault: { code: 'too-many-tries' } });
		world.now = addDays(world.now, 0.5);
		expect(await door().join(token, ` ${code!.slice(0, 3)} ${code!.slice(3)} `, somebody())).toMatchObject({
			ok: true
		});
	});

	it('is not used up by somebody who belongs to the site already', async () => {
		const { person } = await joined('reader');
		const { token } = await invited({ role: 'keeper' });
		const outcome = await door().joinAs(person, token, '');
		expect(outcome).toMatchObject({ fault: { code: 'already-member' } });
		expect(await people().readInvitation(token)).toMatchObject({ ok: true });
		expect((await world.services.water.openWater(person, site.waterId))!.scope.role).toBe('reader');
	});

	it('is kept as a digest alone, and is told once', async () => {
		const { token, code } = await invited({ withCode: true, forWhom: 'Digest' });
		const [rows] = await raw.query<mysql.RowDataPacket[]>(
			"select * from invitation where for_whom = 'Digest'"
		);
		const kept = JSON.stringify(rows);
		expect(kept).not.toContain(token);
		expect(kept).not.toContain(code);
	});
});

describe('a member', () => {
	it('becomes something else from the next look on, and ends on a day that was said', async () => {
		const { person, scope } = await joined('helper');
		const memberId = scope.membershipId;
		const role = async () => (await world.services.water.openWater(person, site.waterId))?.scope.role ?? null;
		const until = addDays(world.now, 3);
		const change = { id: world.deps.newId(), memberId, role: 'keeper' as const, memberUntil: until };
		expect(await people().changeMember(await owner(), change)).toMatchObject({ ok: true });
		expect(await role()).toBe('keeper');
		world.now = addDays(until, 0.01);
		expect(await role()).toBeNull();
	});

	it('that was ended sees nothing of the site, and what they read stays under their name', async () => {
		const { person, scope } = await joined('helper');
		expect(await world.services.reading.saveTestRun(scope, testRun(world, site.waterId))).toMatchObject({
			ok: true
		});
		const end = { id: world.deps.newId(), memberId: scope.membershipId };
		expect(await people().endMember(await owner(), end)).toMatchObject({ ok: true });
		expect(await world.services.water.openWater(person, site.waterId)).toBeNull();
		const lines = await world.csvLines(await owner(), { waterId: site.waterId, what: null });
		expect(lines.some((l) => l.includes(person.displayName))).toBe(true);
	});

	it('that is the only owner stays one, whatever two owners do to each other at once', async () => {
		const first = await owner();
		const id = first.membershipId;
		const step = (memberId: string) => ({ id: world.deps.newId(), memberId });
		expect(await people().endMember(first, step(id))).toMatchObject({ fault: { code: 'last-owner' } });
		const lesser = { ...step(id), role: 'keeper' as const, memberUntil: null };
		expect(await people().changeMember(first, lesser)).toMatchObject({ fault: { code: 'last-owner' } });

		const second = (await joined('owner')).scope;
		const both = await Promise.all([
			people().endMember(first, step(second.membershipId)),
			people().endMember(second, step(first.membershipId))
		]);
		expect(both.filter((o) => o.ok)).toHaveLength(1);
		const { members } = await people().readPeople(both[0].ok ? first : second);
		expect(members.filter((m) => m.role === 'owner' && m.untilAt === null)).toHaveLength(1);
		// The site goes on with whoever is left.
		const left = (both[0].ok ? null : second) ?? null;
		if (left) {
			const [[row]] = await raw.query<mysql.RowDataPacket[]>(
				`select person_id as id from membership where id = '${left.membershipId}'`
			);
			world.knows({ id: String(row!.id), displayName: 'The owner who is left' }, site.waterId);
		}
	});

	it('of another site is neither seen nor changed', async () => {
		const other = await world.site('another people');
		const stranger = (await world.open(other.waterId)).scope;
		const memberId = (await owner()).membershipId;
		const step = { id: world.deps.newId(), memberId };
		expect(await people().endMember(stranger, step)).toMatchObject({ fault: { code: 'unknown-item' } });
		const { members, history } = await people().readPeople(stranger);
		expect(members).toHaveLength(1);
		expect(history).toEqual([]);
	});

	it('that takes the account away leaves what was read under no name', async () => {
		const { person, scope } = await joined('helper');
		await world.services.reading.saveTestRun(scope, testRun(world, site.waterId));
		const gone = await leave(person);
		expect(gone).toMatchObject({ ok: true });
		expect(await world.services.water.openWater(person, site.waterId)).toBeNull();
		const lines = await world.csvLines(await owner(), { waterId: site.waterId, what: null });
		expect(lines.join()).not.toContain(person.displayName);
		expect(lines.join()).toContain('Former member');
		const [left] = await raw.query<mysql.RowDataPacket[]>(
			`select * from auth_user where name = '${person.displayName}'`
		);
		expect(left).toEqual([]);
	});
});

async function leave(person: Person) {
	const [rows] = await raw.query<mysql.RowDataPacket[]>(
		`select user_id as id from person_account where person_id = '${person.id}'`
	);
	expect(rows).toHaveLength(1);
	const account = (await door().mine(person))!;
	return account.remove('four odd green pumps');
}

describe('the history of a site', () => {
	it('says who did what about its people, to every member', async () => {
		const { scope: reader } = await joined('reader');
		const { history } = await people().readPeople(reader);
		const kinds = new Set(history.map((h) => h.deed.kind));
		for (const kind of ['invited', 'invitation-revoked', 'joined', 'changed', 'ended', 'left'] as const) {
			expect(kinds, kind).toContain(kind);
		}
		expect(history.every((h) => h.by !== '')).toBe(true);
		// Open invitations are the owners' alone.
		await invited();
		expect((await people().readPeople(reader)).invitations).toEqual([]);
		expect((await people().readPeople(await owner())).invitations.length).toBeGreaterThan(0);
	});
});

describe('the device of a place', () => {
	async function device(name: string) {
		const made = await people().addPlace(await owner(), { id: world.deps.newId(), name });
		if (!made.ok) throw new Error(faultText(made.fault));
		const both = await Promise.all([1, 2].map(() => people().becomePlace(made.value.token)));
		expect(both.filter((o) => o.ok)).toHaveLength(1);
		const came = both.find((o) => o.ok);
		return came?.ok ? came.value.token : '';
	}
	const who = async (token: string) => (await people().personAtPlace(token))!;
	const scopeAt = async (token: string) =>
		(await world.services.water.openWater(await who(token), site.waterId))!.scope;

	it('only looks until somebody was chosen, and then may do what a helper may', async () => {
		const token = await device('Tablet');
		expect((await scopeAt(token)).role).toBe('reader');
		expect(
			await world.services.reading.saveTestRun(await scopeAt(token), testRun(world, site.waterId))
		).toMatchObject({ fault: { code: 'not-allowed' } });
		const memberId = (await owner()).membershipId;
		expect(await door().chooseReader(await who(token), { memberId, pin: '' })).toMatchObject({ ok: true });
		const scope = await scopeAt(token);
		expect(scope).toMatchObject({ role: 'helper', membershipId: memberId });
		expect(await world.services.reading.saveTestRun(scope, testRun(world, site.waterId))).toMatchObject({
			ok: true
		});
		expect(await people().invite(scope, {} as never)).toMatchObject({ fault: { code: 'not-allowed' } });
		// Somebody else stands there by and by.
		world.now = addDays(world.now, 0.2);
		expect((await scopeAt(token)).role).toBe('reader');
	});

	it('reaches no other site of whoever reads there', async () => {
		const token = await device('Second tablet');
		const { person } = await joined('helper');
		const other = await world.site('elsewhere');
		await raw.query(
			`insert into membership (site_id, id, person_id, role, from_at) values ('${other.siteId}', uuid(), '${person.id}', 'owner', '2026-01-01')`
		);
		expect(await world.services.water.openWater(person, other.waterId)).not.toBeNull();
		await door().chooseReader(await who(token), { memberId: await memberIdOf(person.displayName), pin: '' });
		expect((await who(token)).id).toBe(person.id);
		expect(await world.services.water.openWater(await who(token), other.waterId)).toBeNull();
	});

	it('asks for digits where somebody set some, and counts what is guessed', async () => {
		const token = await device('Third tablet');
		const { scope, person } = await joined('helper');
		await door().setPin(scope, { id: world.deps.newId(), pin: '2468' });
		const [rows] = await raw.query<mysql.RowDataPacket[]>('select hash from reader_pin');
		expect(JSON.stringify(rows)).not.toContain('2468');
		const choose = async (pin: string) =>
			door().chooseReader(await who(token), { memberId: scope.membershipId, pin });
		expect(await choose('')).toMatchObject({ fault: { code: 'wrong-pin' } });
		for (let i = 0; i < 5; i++) await choose('1357');
		expect(await choose('2468')).toMatchObject({ fault: { code: 'too-many-tries' } });
		world.now = addDays(world.now, 1.1);
		expect(await choose('2468')).toMatchObject({ ok: true });
		expect((await who(token)).id).toBe(person.id);
	});

	it('keeps with a reading who was chosen when it was read, not when it came in', async () => {
		const token = await device('Fourth tablet');
		const [a, b] = [await joined('helper'), await joined('helper')];
		await door().chooseReader(await who(token), { memberId: a.scope.membershipId, pin: '' });
		const readAt = addDays(world.now, 0.01);
		world.now = addDays(world.now, 0.02);
		await door().chooseReader(await who(token), { memberId: b.scope.membershipId, pin: '' });
		const scope = await scopeAt(token);
		expect(scope.membershipId).toBe(b.scope.membershipId);
		expect((await people().scopeThen(scope, readAt)).membershipId).toBe(a.scope.membershipId);
		expect((await people().scopeThen(scope, world.now)).membershipId).toBe(b.scope.membershipId);
	});

	it('that was signed out is nobody any more', async () => {
		const token = await device('Last tablet');
		const { places } = await people().readPeople(await owner());
		const placeId = places.find((p) => p.name === 'Last tablet')!.id;
		expect(await people().revokePlace(await owner(), { id: world.deps.newId(), placeId })).toMatchObject({
			ok: true
		});
		expect(await people().personAtPlace(token)).toBeNull();
	});
});
