import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { faultsOn } from './axe.ts';
import { openPage, PHONE, startWorld, type Person, type World } from './world.ts';

const PASSWORD = 'three odd red snails';
const TABLET = { ...PHONE, width: 1024, height: 768 };
const CLEAN = { found: [], overflows: false };

let world: World;
let raw: mysql.Connection;
let me: Person;
let water: string;
beforeAll(async () => {
	world = await startWorld();
	raw = await mysql.createConnection(world.migrationUrl);
	me = await openPage(world);
	water = new URL(me.base).pathname;
});
afterAll(async () => {
	await raw.end();
	await me.close();
	await world.stop();
});

/** Sends what stands in a form, and waits until it was answered. */
async function send(who: Person, words: string) {
	const answered = who.page.waitForResponse((r) => r.request().method() === 'POST');
	await who.press(words);
	await answered;
}
/** Makes an invitation as its owner; the link, and the code where one was asked for. */
async function invite(role: string, { code = false } = {}): Promise<{ link: string; code: string }> {
	await me.page.goto(`${world.origin}${water}/people`);
	await me.page.click(`input[name=role][value=${role}]`);
	if (code) await me.page.click('input[name=withCode]');
	await send(me, 'Make the invitation');
	await me.sees('Hold this up to their phone');
	const read = (selector: string) => me.page.$eval(selector, (e) => (e as HTMLElement).innerText.trim());
	return {
		link: new URL(await read('main [role=status] .select-all')).pathname,
		code: code ? await read('main [role=status] .tracking-widest') : ''
	};
}
const COMES = 'Make my account and come in';
/** Somebody comes in by a link, on a device of their own. */
async function comesIn(link: string, name: string, code = ''): Promise<Person> {
	const who = await openPage(world, link, PHONE);
	if (code) await who.fill('[name=code]', code);
	await who.fill('[name=displayName]', name);
	await who.fill('[name=password]', PASSWORD);
	await send(who, COMES);
	await who.page.waitForFunction(() => location.pathname.startsWith('/waters/'));
	return who;
}

describe('three people and three roles at once on one site', () => {
	it('come in by links, each sees what they may, and a change of role holds from the next look on', async () => {
		const links = [await invite('keeper'), await invite('helper'), await invite('reader')];
		const names = ['Kim', 'Hana', 'Rui'];
		const all = await Promise.all(links.map(({ link }, i) => comesIn(link, names[i]!)));
		for (const who of all) await who.page.goto(`${world.origin}${water}/targets`);
		const [keeper, helper, reader] = await Promise.all(all.map((who) => who.text()));
		expect(keeper).not.toContain('To look at.');
		expect(helper).toMatch(/To look at\. As a helper of this site/);
		expect(reader).toMatch(/To look at\. As a reader of this site/);

		await me.page.goto(`${world.origin}${water}/people`);
		for (const name of names) await me.sees(name);
		expect(await faultsOn(me)).toEqual(CLEAN);
		await me.press('Change or end it: Rui');
		await me.page.evaluate(() => {
			const row = [...document.querySelectorAll('main li')].find((l) => l.textContent.includes('Rui'))!;
			row.querySelector<HTMLSelectElement>('select[name=role]')!.value = 'keeper';
		});
		await me.page.evaluate(() => {
			const row = [...document.querySelectorAll('main li')].find((l) => l.textContent.includes('Rui'))!;
			row.querySelector<HTMLFormElement>('form[action="?/change"]')!.requestSubmit();
		});
		await me.sees('made Rui a keeper instead of a reader');
		await all[2]!.page.reload();
		expect(await all[2]!.text()).not.toContain('To look at.');
		// Members read the history; who may not say who belongs here is offered nothing for it.
		await all[1]!.page.goto(`${world.origin}${water}/people`);
		await all[1]!.sees('Rui came in as a reader');
		expect(await all[1]!.text()).not.toMatch(/Ask somebody in|Change or end it/);
		expect(await faultsOn(all[1]!)).toEqual(CLEAN);
		for (const who of all) expect(who.complaints).toEqual([]);
		await Promise.all(all.map((who) => who.close()));
	});
});

describe('an invitation', () => {
	it('that was used says so, and lets nobody in', async () => {
		const { link } = await invite('helper');
		const first = await comesIn(link, 'First');
		const second = await openPage(world, link, PHONE);
		await second.sees('This invitation was used already. Each is good for one person.');
		await Promise.all([first.close(), second.close()]);
	});
	it('that comes late says so', async () => {
		const { link } = await invite('helper');
		await raw.query("update invitation set expires_at = '2020-01-01' where used_at is null");
		const late = await openPage(world, link, PHONE);
		await late.sees('The time of this invitation is over. Ask whoever invited you for a new one.');
		await late.close();
	});
	it('in the wrong hands asks for its code, and is used by nobody who belongs here already', async () => {
		const { link, code } = await invite('keeper', { code: true });
		expect(code).toMatch(/^\d{6}$/);
		const wrong = await openPage(world, link, PHONE);
		await wrong.fill('[name=code]', code === '111111' ? '222222' : '111111');
		await wrong.fill('[name=displayName]', 'Mallory');
		await wrong.fill('[name=password]', PASSWORD);
		await send(wrong, COMES);
		await wrong.sees('That is not the code of this invitation.');
		expect(await faultsOn(wrong)).toEqual(CLEAN);
		await wrong.close();
		const right = await comesIn(link, 'Noor', code);
		const another = await invite('reader');
		await right.page.goto(world.origin + another.link);
		await send(right, 'Come in as Noor');
		await right.sees('You belong to this site already, as keeper.');
		await right.close();
	});
	it('lets somebody in who has an account and signs in first', async () => {
		const { link } = await invite('reader');
		const who = await comesIn(link, 'Anouk');
		await raw.query(
			"update membership set until_at = '2021-01-01' where person_id = (select id from person where display_name = 'Anouk')"
		);
		await who.page.goto(`${world.origin}/account`);
		const again = await invite('helper');
		await who.page.deleteCookie(...(await who.page.cookies()));
		await who.page.goto(world.origin + again.link);
		await who.press('I have an account here already');
		await who.sees('Forgotten?');
		await who.fill('[name=displayName]', ' ANOUK ');
		await who.fill('[name=password]', PASSWORD);
		await send(who, 'Sign in');
		await who.sees('asks you to Quay library');
		await send(who, 'Come in as Anouk');
		await who.page.waitForFunction(() => location.pathname.startsWith('/waters/'));
		await who.close();
	});
});

describe('an account', () => {
	let who: Person;
	beforeAll(async () => {
		who = await comesIn((await invite('helper')).link, 'Sam');
	});
	afterAll(() => who.close());

	it('shows where it is signed in, and ends it there', async () => {
		const other = await openPage(world, '/sign-in');
		await other.fill('[name=displayName]', 'Sam');
		await other.fill('[name=password]', PASSWORD);
		await send(other, 'Sign in');
		await other.page.waitForFunction(() => location.pathname.startsWith('/waters/'));
		await who.page.goto(`${world.origin}/account`);
		await who.sees('this one');
		expect(await faultsOn(who)).toEqual(CLEAN);
		await send(who, 'Sign out everywhere else');
		await who.sees('Signed out there.');
		await other.page.goto(`${world.origin}/account`);
		await other.sees('No account');
		await other.close();
	});

	it('takes a passkey, which signs it in without a word', async () => {
		const session = await who.page.createCDPSession();
		await session.send('WebAuthn.enable');
		await session.send('WebAuthn.addVirtualAuthenticator', {
			options: {
				protocol: 'ctap2',
				transport: 'internal',
				hasResidentKey: true,
				hasUserVerification: true,
				isUserVerified: true,
				automaticPresenceSimulation: true
			}
		});
		await who.page.goto(`${world.origin}/account`);
		await who.press('Add this device');
		const fields = await who.page.$$('main form:not([action]) input');
		await fields[0]!.type('my phone');
		await fields[1]!.type(PASSWORD);
		await who.press('Ask the device');
		await who.sees('my phone since');
		await who.page.goto(`${world.origin}${water}/today`);
		await send(who, 'Sign out');
		await who.page.waitForFunction(() => location.pathname === '/sign-in');
		await who.press('Sign in by a passkey');
		await who.page.waitForFunction(() => location.pathname.startsWith('/waters/'));
		await who.page.goto(`${world.origin}/account`);
		await who.sees('Sam');
		expect(who.complaints).toEqual([]);
		const [kept] = await raw.query<mysql.RowDataPacket[]>('select * from auth_passkey');
		expect(kept).toHaveLength(1);
	});

	it('that signs out leaves nothing of what was read in the browser', async () => {
		await who.page.goto(`${world.origin}${water}/today`);
		await who.page.evaluate(() => localStorage.setItem('left', 'behind'));
		await send(who, 'Sign out');
		await who.page.waitForFunction(() => location.pathname === '/sign-in');
		const left = await who.page.evaluate(async () => ({
			// The clock that a test sets is of the page, not of the person.
			local: Object.keys(localStorage).filter((key) => key !== 'tevrik-clock'),
			bases: (await indexedDB.databases()).length,
			caches: (await caches.keys()).length
		}));
		expect(left).toEqual({ local: [], bases: 0, caches: 0 });
	});
});

describe('the tablet at the tank', () => {
	it('looks as the place, and keeps with a reading who was tapped', async () => {
		await me.page.goto(`${world.origin}${water}/people`);
		await me.press('Add a device');
		await me.fill('[name=name]', 'Tablet on the cabinet');
		await send(me, 'Make its link');
		await me.sees('Open it on the tablet within a day');
		const link = await me.page.$eval('main [role=status] .select-all', (e) =>
			(e as HTMLElement).innerText.trim()
		);
		const tablet = await openPage(world, new URL(link).pathname, TABLET);
		await send(tablet, 'Yes, this device');
		await tablet.sees('Who reads? Tap your name');
		expect(await faultsOn(tablet)).toEqual(CLEAN);
		await tablet.page.goto(`${world.origin}${water}/bench`);
		await tablet.sees('To look at.');
		await tablet.press('Who reads? Tap your name');
		await tablet.sees('Who reads?');
		expect(await faultsOn(tablet)).toEqual(CLEAN);
		await send(tablet, 'Helper');
		await tablet.sees('Helper reads');
		expect(await tablet.text()).not.toContain('To look at.');
		await tablet.page.goto(`${world.origin}${water}/log/new?kind=note`);
		await tablet.fill('[name="note"]', 'Read at the tablet');
		await send(tablet, 'Save');
		await tablet.page.goto(`${world.origin}${water}/log`);
		await tablet.sees('Read at the tablet');
		const [[kept]] = await raw.query<mysql.RowDataPacket[]>(
			`select p.display_name as name from event e
			 join membership m on m.site_id = e.site_id and m.id = e.recorded_by
			 join person p on p.id = m.person_id where e.note = 'Read at the tablet'`
		);
		expect(kept!.name).toBe('Helper');
		expect(tablet.complaints).toEqual([]);
		await tablet.close();
	});
});

describe('other people’s tanks', () => {
	it('are planned as a round, the worst first, with what comes along', async () => {
		await me.page.goto(`${world.origin}${water}/round`);
		const first = await me.page.$$eval('main input[name=tank]', (all) => all.map((e) => e.value));
		expect(first.length).toBeGreaterThan(4);
		await me.page.evaluate(() =>
			[...document.querySelectorAll<HTMLInputElement>('input[name=tank]')]
				.slice(0, 3)
				.forEach((e) => e.click())
		);
		await me.press('Plan the round');
		await me.sees('3 tanks');
		await me.sees('Comes along');
		expect(await faultsOn(me)).toEqual(CLEAN);
	});
	it('are told of on a sheet that opens without an account, until it is taken back', async () => {
		await me.page.goto(`${world.origin}${water}/sheet`);
		await me.fill('[name=forWhom]', 'Ines');
		await me.fill('[name=note]', 'Feed half');
		await send(me, 'Make a link');
		await me.sees('Whoever has it sees this sheet');
		expect(await faultsOn(me)).toEqual(CLEAN);
		const link = await me.page.$eval('main [role=status] .select-all', (e) =>
			(e as HTMLElement).innerText.trim()
		);
		const path = new URL(link).pathname;
		const visitor = await openPage(world, path, PHONE, { isFirst: true });
		await visitor.sees('Feed half');
		await visitor.sees('Alkalinity');
		expect(await visitor.page.cookies()).toEqual([]);
		expect(await faultsOn(visitor)).toEqual(CLEAN);
		await send(me, 'Take it back');
		await me.sees('taken back');
		await visitor.page.goto(world.origin + path);
		await visitor.sees('There is no such sheet any more');
		await visitor.close();
	});
});
