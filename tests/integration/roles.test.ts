import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { may, ROLES, type Permission, type Role } from '../../src/lib/core/access/index.ts';
import type { Result } from '../../src/lib/core/result/index.ts';
import { faultText } from '../../src/lib/format/faults/faults.ts';
import { addMembership, addPerson } from '../../src/lib/server/repository/founding.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { openWorld, testRun, type World } from '../support/site.ts';
import { COMMANDS } from '../support/watched.ts';
import { ownDatabase } from './database.ts';

/** Every command by what it takes: a new one has to be put here before it is tried with each role. */
const TAKES: Readonly<Record<string, Permission>> = {
	'bench.saveSession': 'test',
	'calendar.changeFeed': 'share',
	'correction.changePlan': 'decide',
	'correction.noteStep': 'carry-out',
	'correction.saveSupplement': 'decide',
	'correction.setLimit': 'decide',
	'correction.startPlan': 'decide',
	'judgement.saveProfile': 'decide',
	'judgement.saveSettings': 'decide',
	'judgement.takeProfile': 'decide',
	'laboratory.saveReport': 'record',
	'laboratory.sendSample': 'record',
	'log.keepPhotograph': 'test',
	'log.recordEvent': 'record',
	'log.takePhotographBack': 'test',
	'method.deriveAgain': 'equip',
	'method.saveMethod': 'equip',
	'people.addPlace': 'people',
	'people.changeMember': 'people',
	'people.endMember': 'people',
	'people.invite': 'people',
	'people.revokePlace': 'people',
	'people.takeInvitationBack': 'people',
	'practice.decideReader': 'test',
	'practice.mentorPractice': 'decide',
	'practice.savePractice': 'test',
	'practice.sharePractice': 'test',
	'reading.correctReading': 'test',
	'reading.keepReading': 'test',
	'reading.saveTestRun': 'test',
	'shelf.addToShelf': 'equip',
	'shelf.decideCheck': 'equip',
	'shelf.deriveItemAgain': 'equip',
	'shelf.finishCheck': 'equip',
	'shelf.noteItem': 'equip',
	'visitor.giveSheet': 'share',
	'visitor.takeSheetBack': 'share',
	'water.addWater': 'arrange',
	'water.changeWater': 'arrange',
	'water.changeZone': 'arrange',
	'water.chooseKits': 'equip',
	'water.orderWaters': 'arrange',
	'water.setTarget': 'decide'
};

let database: OwnDatabase;
let world: World;
let raw: mysql.Connection;
let site: Awaited<ReturnType<World['site']>>;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	raw = await mysql.createConnection(database.migrationUrl);
	site = await world.site('roles');
});
afterAll(async () => {
	await Promise.all([world.close(), raw.end()]);
	await database.drop();
});

/** A member of the site with a role, and the right that comes of it. */
async function member(role: Role): Promise<SiteScope> {
	const person = { id: world.deps.newId(), displayName: `A ${role}`, createdAt: world.now };
	await addPerson(world.deps.db, person);
	await addMembership(world.deps.db, {
		siteId: site.siteId,
		id: world.deps.newId(),
		personId: person.id,
		role,
		fromAt: world.now,
		untilAt: null
	});
	const open = await world.services.water.openWater(person, site.waterId);
	expect(open?.scope.role).toBe(role);
	return open!.scope;
}

async function rowsOfAll(): Promise<number> {
	const [tables] = await raw.query<mysql.RowDataPacket[]>('show tables');
	let rows = 0;
	for (const table of tables) {
		const [[counted]] = await raw.query<mysql.RowDataPacket[]>(
			`select count(*) as n from \`${String(Object.values(table)[0])}\``
		);
		rows += Number(counted!.n);
	}
	return rows;
}

type Command = (scope: SiteScope, command: unknown) => Promise<Result<unknown>>;
const commandOf = (name: string): Command => {
	const [room, own] = name.split('.') as [keyof World['services'], string];
	return (world.services[room] as unknown as Readonly<Record<string, Command>>)[own]!;
};

describe('a role', () => {
	it('is asked for by every command there is', () => {
		const written = Object.entries(COMMANDS).flatMap(([room, names]) =>
			Object.keys(names).map((name) => `${room}.${name}`)
		);
		expect(Object.keys(TAKES)).toEqual(expect.arrayContaining(written));
		for (const name of Object.keys(TAKES)) expect(commandOf(name), name).toBeTypeOf('function');
	});
	it.each(ROLES.slice(1))('of a %s is refused all else, with words, and changes nothing', async (role) => {
		const scope = await member(role);
		const forbidden = Object.entries(TAKES).filter(([, what]) => !may(role, what));
		expect(forbidden.length).toBe({ keeper: 6, helper: 30, reader: 43 }[role as 'reader']);
		const before = await rowsOfAll();
		for (const [name] of forbidden) {
			// Before anything of it is looked at: what is sent does not matter.
			const outcome = await commandOf(name)(scope, { id: world.deps.newId(), waterId: site.waterId });
			expect(outcome, name).toMatchObject({ ok: false, fault: { code: 'not-allowed' } });
			if (outcome.ok) continue;
			expect(faultText(outcome.fault)).toMatch(
				/^As a (keeper|helper|reader) of this site you cannot .* can\. Nothing was changed\.$/
			);
		}
		expect(await rowsOfAll()).toBe(before);
	});
	it('of a helper tests, and of a keeper says what is wanted', async () => {
		const helper = await member('helper');
		expect(await world.services.reading.saveTestRun(helper, testRun(world, site.waterId))).toMatchObject({
			ok: true
		});
		const keeper = await member('keeper');
		const target = {
			id: world.deps.newId(),
			waterId: site.waterId,
			parameter: 'calcium' as const,
			low: 400,
			high: 450,
			aim: 425,
			source: 'ours',
			fromAt: world.now
		};
		expect(await world.services.water.setTarget(keeper, target)).toMatchObject({ ok: true });
		const again = { ...target, id: world.deps.newId() };
		expect(await world.services.water.setTarget(helper, again)).toMatchObject({
			fault: { code: 'not-allowed' }
		});
	});
	it('ends with the membership, on the day that was said', async () => {
		const person = { id: world.deps.newId(), displayName: 'For a week', createdAt: world.now };
		await addPerson(world.deps.db, person);
		await addMembership(world.deps.db, {
			siteId: site.siteId,
			id: world.deps.newId(),
			personId: person.id,
			role: 'helper',
			fromAt: world.now,
			untilAt: world.now
		});
		expect(await world.services.water.openWater(person, site.waterId)).toBeNull();
	});
});
