import { readFileSync, statSync } from 'node:fs';
import { get } from 'node:https';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { build } from '../../scripts/application.mjs';
import { launchBrowser } from '../../scripts/browser.mjs';
import { freePort } from '../../scripts/database.mjs';
import { faultsOn } from './axe.ts';
import { BUILD, commandsIn } from './command.ts';
import { openPage, PHONE, type Person, type World } from './world.ts';

const NAME = 'Rowan';
const PASSWORD = 'four odd green pumps';
/** So many times faster than the wall's: waits of a test pass by themselves. */
const RATE = 60;

const { home, command, refusal, end } = commandsIn('tevrik-own-');
let browser: Browser;
let origin = '';
let port = 0;
let running: ReturnType<typeof command>;
let link = '';
const begun = Date.now();

async function start(...args: string[]) {
	// A clock that is faster than the wall's is ahead of it when it is started again.
	const clock = `${new Date(begun + (Date.now() - begun) * RATE).toISOString()},${RATE}`;
	running = command('start.mjs', ['--port', String(port), ...args], { TEVRIK_CLOCK: clock });
	await running.until('Ctrl-C ends it');
	return running.said();
}
async function stop() {
	running.child.kill('SIGINT');
	expect(await running.ended).toBe(0);
}
/** The browser of somebody who comes to this Tevrik and to no other. */
const world = () =>
	({
		origin,
		offline: false,
		lend: () => browser.createBrowserContext(),
		giveBack: (context: { close(): Promise<void> }) => context.close(),
		wait: (seconds: number) => sleep((seconds * 1000) / RATE)
	}) as unknown as World;

beforeAll(async () => {
	build(BUILD, join(BUILD, '../kit'));
	browser = await puppeteer.connect({ browserWSEndpoint: inject('browser') });
	port = await freePort();
	origin = `http://localhost:${port}`;
	link = /\/begin\/\S+/.exec(await start())![0];
});
afterAll(async () => {
	await browser?.disconnect();
	end();
});

/** What the beginning asks of a person, counted as it goes. */
class Effort {
	screens = 0;
	fields = 0;
	keys = 0;
	presses = 0;
	words = 0;
	readonly #me: Person;
	readonly #read = new Set<string>();
	constructor(me: Person) {
		this.#me = me;
	}
	/** A screen is read once; what stays from the one before is not read again. */
	async reads(): Promise<void> {
		this.screens++;
		await this.glances();
	}
	async glances(): Promise<void> {
		const lines = await this.#me.page.evaluate(() => {
			// What a closed list could offer, and what is said to screen readers alone, is read by no eye.
			const lists = [...document.querySelectorAll<HTMLElement>('main select, main .visually-hidden')];
			for (const list of lists) list.style.display = 'none';
			const text = document.querySelector('main')?.innerText ?? '';
			for (const list of lists) list.style.display = '';
			return text.split('\n').map((line) => line.trim());
		});
		for (const line of lines.filter((l) => l !== '' && !this.#read.has(l))) {
			this.#read.add(line);
			this.words += line.split(/\s+/).length;
		}
	}
	async types(name: string, text: string): Promise<void> {
		this.fields++;
		this.keys += text.length;
		await this.#me.fill(`[name="${name}"]`, text);
	}
	async picks(name: string, value: string): Promise<void> {
		this.fields++;
		this.presses += 2;
		await this.#me.page.select(`[name="${name}"]`, value);
	}
	async press(words: string): Promise<void> {
		this.presses++;
		await this.#me.press(words);
	}
	/** Moves the plunger by so many tenths and hundredths. */
	async drags(tenths: number, hundredths: number): Promise<void> {
		this.fields++;
		this.keys += tenths + hundredths;
		const { keyboard } = this.#me.page;
		await keyboard.down('Shift');
		for (let i = 0; i < tenths; i++) await keyboard.press('ArrowDown');
		await keyboard.up('Shift');
		for (let i = 0; i < hundredths; i++) await keyboard.press('ArrowDown');
	}
	async ticks(words: string): Promise<void> {
		this.fields++;
		await this.press(words);
	}
	/** Of reading 200 words a minute, two and a half keys a second, and 1.2 s for each press and each way to a field. */
	get seconds(): number {
		return (this.words / 200) * 60 + this.keys / 2.5 + 1.2 * (this.presses + this.fields);
	}
	tell(what: string): void {
		console.log(
			`${what}: ${this.screens} screens, ${this.fields} fields, ${this.keys} keys, ${this.presses} presses, ${this.words} words: ${Math.round(this.seconds)} s of a person's time`
		);
	}
}

/** From the bench to a saved result, by the first kit that is ticked. */
async function savesAResult(me: Person, effort: Effort): Promise<void> {
	await effort.press('Lay out this test');
	await me.sees('Lay out one test');
	await effort.press('Begin');
	await me.toReading();
	await effort.glances();
	await effort.drags(5, 4);
	await effort.press('Colour has turned');
	await me.sees('dKH');
	await effort.press('Save the result');
	await me.sees('The session is done');
	await me.sees(/Alkalinity 7.5 ± \d/);
}

describe('npm start', () => {
	it('leads a newcomer from nothing to a saved result in four screens, twelve fields and three minutes', async () => {
		const me = await openPage(world(), link);
		const effort = new Effort(me);
		await me.sees('Who are you?');
		await effort.reads();
		await effort.types('displayName', NAME);
		await effort.types('password', PASSWORD);
		expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
		await effort.press('Go on: what is in your tank?');

		await me.sees('What is in it, and how much?');
		await effort.reads();
		await effort.types('name', 'Kitchen reef');
		await effort.ticks('a mixed reef');
		await effort.types('long', '120');
		await effort.types('deep', '50');
		await effort.types('filled', '48');
		await effort.picks('rock', 'usual');
		await effort.picks('runs', 'two-years');
		// What follows is told at once.
		await me.sees('251 L of water, between 220 L and 290 L');
		await me.sees('alkalinity 7.5–9 dKH');
		await me.sees('Alkalinity weekly');
		expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
		await effort.press('Go on: what do you test with?');

		await me.sees('What do you test with?');
		await effort.reads();
		expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
		await effort.ticks('syringe');
		await effort.press('To the bench');

		await me.sees('What do you test?');
		await effort.reads();
		await savesAResult(me, effort);
		effort.tell('With a kit like this one');
		expect(effort.screens).toBeLessThanOrEqual(4);
		expect(effort.fields).toBeLessThanOrEqual(12);
		expect(effort.seconds).toBeLessThanOrEqual(180);

		const at = /^.*\/waters\/[^/]+/.exec(me.page.url())![0];
		await me.page.goto(`${at}/today`);
		await me.sees('Alkalinity');
		await me.sees('settled');
		// Nothing was filled in that a person would take for theirs.
		await me.page.goto(`${at}/shelf`);
		expect(await me.text()).not.toMatch(/Lobby|Classroom/);
		for (const view of VIEWS) {
			const got = await me.page.goto(`${at}/${view}`);
			expect(got?.status(), view).toBe(200);
		}
		expect(me.complaints).toEqual([]);
		await me.close();
	});

	it('lets nobody in who merely reaches the port, and the link only once', async () => {
		const me = await openPage(world(), '/');
		expect(me.page.url()).toBe(`${origin}/sign-in`);
		await me.page.goto(origin + link);
		await me.sees('This link was used, or its time is over');
		for (const path of ['/begin/water', '/house', '/begin/demo', '/bench']) {
			await me.page.goto(origin + path);
			expect(me.page.url(), path).toBe(`${origin}/sign-in`);
		}
		await me.fill('[name=displayName]', NAME);
		await me.fill('[name=password]', 'not the password');
		await me.press('Sign in');
		await me.sees('The name or the password is not right.');
		const secret = await me.page.$eval('[name=password]', (e) => (e as HTMLInputElement).value);
		expect(secret).not.toBe(PASSWORD);
		await me.fill('[name=password]', PASSWORD);
		await me.press('Sign in');
		await me.sees('Kitchen reef');
		const kitchen = /\/waters\/[^/]+/.exec(me.page.url())![0];
		await me.press('Sign out');
		await me.sees('Your name, or your e-mail');
		// Whoever is asked to sign in on the way comes to where they wanted.
		await me.page.goto(`${origin}${kitchen}/log?what=events`);
		expect(me.page.url()).toMatch(/\/sign-in\?back=/);
		await me.fill('[name=displayName]', NAME);
		await me.fill('[name=password]', PASSWORD);
		await me.press('Sign in');
		await me.sees('Doses, changes, notes');
		expect(me.page.url()).toBe(`${origin}${kitchen}/log?what=events`);
		await me.press('Sign out');
		await me.sees('Your name, or your e-mail');
		await me.page.goto(`${origin}/`);
		expect(me.page.url()).toBe(`${origin}/sign-in`);
		await me.close();
	});

	it('takes a kit from its leaflet with ten more fields, tries it, and runs by it', async () => {
		const me = await signedIn();
		const effort = new Effort(me);
		await me.goto('/methods/new?parameter=calcium');
		await effort.reads();
		await effort.types('name', 'Calcium, blue box');
		await effort.types('fullMl', '5');
		await effort.types('capacityMl', '1');
		await effort.types('graduationMl', '0.01');
		await effort.types('factor', '560');
		await effort.types(
			'steps',
			'8 drops A; swirl 10 s; 1 level scoop B; swirl 20 s; titrate with C until blue'
		);
		await me.sees('Add 8 drops of A');
		await me.sees('gives 280 mg/L. Does your leaflet say so?');
		await me.fill('[name=tried]', '0.26');
		await me.sees(/gives 414.4 mg\/L.*Kept as 410 ± \d+ mg\/L/);
		expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
		await effort.press('Save the method');
		await me.sees('Calcium, blue box');
		effort.tell('A kit from its leaflet');
		expect(effort.fields).toBeLessThanOrEqual(10);
		expect(effort.seconds).toBeLessThanOrEqual(120);
		await me.goto('/bench');
		await me.sees('Calcium, blue box');
		expect(me.complaints).toEqual([]);
		await me.close();
	});

	it('doubts a table row by row, and keeps what was typed when it is refused', async () => {
		const me = await signedIn();
		await me.goto('/methods/new?parameter=calcium');
		await me.page.select('[name=worthBy]', 'table');
		await me.page.type(
			'[name=table]',
			'0.0 560\n0.1 504\n0.2 448\n0.3 329\n0.4 336\n0.5 280\n0.7 168\n0.8 112'
		);
		await me.sees('Before row 7, 0.7: the readings jump by 0.2 instead of 0.1.');
		await me.sees('Row 4, 0.3 → 329: its neighbours would put it near 392.');
		await me.press('Save the method');
		await me.sees('The name needs at least 3 letters');
		expect(await me.page.$eval('[name=table]', (e) => (e as HTMLTextAreaElement).value)).toContain('0.3 329');
		await me.close();
	});

	it('takes readings from before by the keyboard alone, and names what it cannot take', async () => {
		const me = await signedIn();
		await me.goto('/log/earlier');
		const cell = (at: string) => `[data-cell="${at}"]`;
		await me.page.focus(cell('0/0'));
		await me.page.keyboard.type('1 Sep');
		await me.page.keyboard.press('Tab');
		await me.page.keyboard.type('8,1');
		await me.page.keyboard.press('Tab');
		await me.page.keyboard.type('430');
		await me.page.keyboard.press('Enter');
		await me.page.keyboard.type('80');
		await me.page.focus(cell('1/0'));
		await me.page.keyboard.type('31 Feb');
		await me.page.focus(cell('2/0'));
		// As a spreadsheet copies it.
		await me.page.evaluate((at) => {
			const data = new DataTransfer();
			data.setData('text/plain', 'Date\tCa\tKH (dKH)\n8/9/2026\t425\t7.9\n15/9/2026\t420\t7.8');
			document
				.querySelector(at)!
				.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
		}, cell('2/0'));
		expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
		await me.press('Keep 7 readings');
		await me.sees('6 kept.');
		await me.sees('31 Feb, calcium 80: Its row needs a date.');
		await me.fill(cell('1/0'), '7 Sep 2026');
		await me.press('Keep 1 reading');
		await me.sees(/80.* is unusual for this kind of water/);
		await me.press('It is so');
		await me.press('Keep 1 reading');
		await me.sees('7 kept.');
		await me.goto('/log');
		await me.sees('my records');
		expect(me.complaints.filter((c) => !c.includes('400'))).toEqual([]);
		await me.close();
	});

	it('has several waters, each with its past', async () => {
		const me = await signedIn();
		await me.goto('/waters');
		await me.press('Add a water');
		await me.page.type('form[action="?/add"] [name=name]', 'Mixing barrel');
		await me.page.evaluate(() => document.querySelector<HTMLInputElement>('[value="new-mix"]')!.click());
		await me.press('I know how much it holds');
		await me.press('Add it');
		await me.sees('mixing barrel, volume not known');
		await me.press('Move up');
		await me.sees(/Mixing barrel.*Kitchen reef/);
		await me.press('Change Kitchen reef');
		expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
		const change = 'details[open]';
		await me.page.type(`${change} [name=lightsOn]`, '10:00');
		await me.press('Keep these hours');
		await me.sees('When the light goes off is missing');
		await me.page.type(`${change} [name=lightsOff]`, '8pm');
		await me.press('Keep these hours');
		await me.sees('light 10:00 to 20:00');
		await me.press('Change Mixing barrel');
		// Without a time it is now.
		await me.page.evaluate(() => {
			for (const field of document.querySelectorAll<HTMLInputElement>('[name=fromAt]')) {
				field.value = '';
				field.dispatchEvent(new Event('input', { bubbles: true }));
			}
		});
		await me.press('It was taken down');
		await me.sees(/Kitchen reef.*Taken down They are kept as they were.*Mixing barrel/);
		expect(me.complaints.filter((c) => !c.includes('400'))).toEqual([]);
		await me.close();
	});

	it('keeps all of it over a second start, which makes no new link', async () => {
		await stop();
		const said = await start();
		expect(said).not.toContain('/begin/');
		const me = await signedIn();
		await me.goto('/log');
		await me.sees('my records');
		await me.close();
		for (const file of ['secret', 'connection.json']) {
			expect(statSync(join(home, file)).mode & 0o077, file).toBe(0);
		}
	});
});

describe('a beginning that is cut off', () => {
	it('goes on where it was: the account is there, and the water is asked for', async () => {
		const other = commandsIn('tevrik-cut-');
		const at = await freePort();
		const begin = async () => {
			const run = other.command('start.mjs', ['--port', String(at)]);
			await run.until('Ctrl-C ends it');
			return run;
		};
		try {
			const first = await begin();
			const here = { ...world(), origin: `http://localhost:${at}` } as World;
			const me = await openPage(here, /\/begin\/\S+/.exec(first.said())![0]);
			await me.fill('[name=displayName]', NAME);
			await me.fill('[name=password]', 'short');
			await me.page.$eval('form', (form) => form.setAttribute('novalidate', ''));
			await me.press('Go on');
			await me.sees('The password needs at least 10 letters');
			await me.fill('[name=password]', PASSWORD);
			await me.press('Go on');
			await me.sees('What is in it, and how much?');
			// As if the plug were pulled.
			for (const file of ['server.pid', 'database/mariadb.pid']) {
				process.kill(Number(readFileSync(join(other.home, file), 'utf8')), 'SIGKILL');
			}
			first.child.kill('SIGKILL');
			await first.ended;
			const second = await begin();
			expect(second.said()).not.toContain('/begin/');
			await me.page.goto(`http://localhost:${at}/`);
			await me.sees('What is in it, and how much?');
			await me.press('Go on');
			await me.page.$eval('form', (form) => form.setAttribute('novalidate', ''));
			await me.press('Go on');
			await me.sees('is missing');

			// By its name alone: what was left for later is asked for where it first matters.
			await me.fill('[name=name]', 'Bare tank');
			await me.press('Go on');
			await me.sees('What do you test with?');
			await me.press('To the bench');
			await me.sees('Nothing to test with is ticked yet.');
			const tank = /^.*\/waters\/[^/]+/.exec(me.page.url())![0];
			await me.page.goto(`${tank}/adjust`);
			await me.sees('Nothing can be said yet');
			await me.sees('What is in it?');
			expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
			await me.press('a mixed reef');
			await me.sees('How much water is in it?');
			expect(me.page.url()).toBe(`${tank}/adjust`);
			await me.press('Say how much it holds');
			await me.press('I know how much it holds');
			await me.fill('[name=litres]', '200');
			await me.press('Keep this volume');
			await me.sees('mixed reef, 200 L ± 40 L');
			await me.page.goto(`${tank}/adjust`);
			await me.sees('Nothing can be said yet');
			expect(await me.text()).not.toMatch(/How much water is in it|What is in it\?/);
			await me.close();
			second.child.kill('SIGINT');
			await second.ended;
		} finally {
			other.end();
		}
	});
});

describe('npm run demo', () => {
	it('does not make its world in a database that holds somebody’s own water', async () => {
		await stop();
		expect(await refusal('demo.mjs', ['--port', String(port)])).toMatchObject({
			status: 1,
			said: expect.stringContaining('this database holds somebody’s own water')
		});
	});
});

describe('npm start -- --house', () => {
	it('refuses a house that it is not in, in a sentence', async () => {
		const house = ['--port', String(port), '--house', '--address'];
		expect(await refusal('start.mjs', house)).toMatchObject({
			status: 1,
			said: expect.stringContaining('--address needs a value')
		});
		// Whoever names an address that is not this machine's is told so, and nothing is served.
		expect(await refusal('start.mjs', [...house, '192.0.2.7'])).toMatchObject({
			status: 1,
			said: expect.stringContaining('is no address of this machine')
		});
	});

	it('serves the house over https by an authority of its own, to a second device', async () => {
		// Another address of this machine stands for the one in the house.
		const address = '127.0.0.2';
		const said = await start('--house', '--address', address);
		const door = `http://${address}:${port + 1}/`;
		const inside = `https://${address}:${port + 1}`;
		expect(said).toContain(door);
		expect(said).toContain('▀');
		const authority = await (await fetch(`${door}authority.crt`)).text();
		for (const file of ['house/authority.key', 'house/house.key']) {
			expect(statSync(join(home, file)).mode & 0o077, file).toBe(0);
		}
		// Whoever trusts the authority is let in without a word; whoever does not is not.
		expect(await ask(`${inside}/sign-in`, authority)).toBe(200);
		await expect(ask(`${inside}/sign-in`)).rejects.toThrow(/certificate/);
		expect(await ask(`${inside}/sign-in`, authority, 'evil.example')).toBe(421);

		const phone = await launchBrowser([
			`--ignore-certificate-errors-spki-list=${await keyDigest(address)}`,
			'--use-fake-device-for-media-stream',
			'--use-fake-ui-for-media-stream'
		]);
		try {
			const page = await phone.newPage();
			await page.setViewport(PHONE);
			await page.goto(door);
			await page.waitForFunction(() => document.body.innerText.includes('This phone trusts it.'));
			expect(await page.evaluate(() => document.body.innerText)).toContain(
				/([0-9A-F]{2}:){31}[0-9A-F]{2}/.exec(said)![0]
			);
			await Promise.all([
				page.waitForNavigation(),
				page.evaluate(() => document.querySelector<HTMLAnchorElement>('a.go')!.click())
			]);
			expect(page.url()).toBe(`${inside}/sign-in`);
			await page.type('[name=displayName]', NAME);
			await page.type('[name=password]', PASSWORD);
			await Promise.all([page.waitForNavigation(), page.click('button[type=submit]')]);
			await page.waitForFunction(() => location.pathname.endsWith('/today'));
			const cookies = await phone.cookies();
			expect(cookies.find((c) => c.name.includes('session'))).toMatchObject({ secure: true, httpOnly: true });
			// What only a trusted address may have: the bench without a network, and the camera.
			expect(await page.evaluate(() => isSecureContext)).toBe(true);
			await page.goto(`${inside}/bench`);
			await page.evaluate(() => navigator.serviceWorker.ready.then(() => null));
			expect(await lensOf(page)).toBe(true);
			await page.goto(`${inside}/house`);
			await page.waitForSelector('img[alt*="for a camera"]');
			expect(await page.evaluate(() => document.body.innerText)).toContain(door);
			await page.goto(`${inside}/bench`);
			await page.setOfflineMode(true);
			await page.reload();
			await page.waitForFunction(() => document.body.innerText.includes('What do you test?'));
		} finally {
			await phone.close();
		}
		await stop();
		expect(await refusal('house-remove.mjs', [])).toMatchObject({
			status: 0,
			said: expect.stringMatching(/^The authority of the house is gone/)
		});
		expect(await refusal('house-remove.mjs', [])).toMatchObject({
			said: 'There is no authority of the house.'
		});
	});
});

const VIEWS = [
	'bench',
	'trends',
	'adjust',
	'adjust/daily',
	'adjust/change',
	'adjust/plan',
	'adjust/supplements',
	'shelf',
	'log',
	'log/new',
	'board',
	'findings',
	'compare',
	'targets',
	'testing',
	'profiles',
	'methods',
	'laboratory',
	'habits',
	'help'
];

async function signedIn(): Promise<Person> {
	const me = await openPage(world(), '/sign-in');
	await me.fill('[name=displayName]', NAME);
	await me.fill('[name=password]', PASSWORD);
	await me.press('Sign in');
	await me.page.waitForFunction(() => location.pathname.endsWith('/today'));
	const base = /^.*\/waters\/[^/]+/.exec(me.page.url())![0];
	return { ...me, base, goto: async (view: string) => void (await me.page.goto(base + view)) };
}

/** The status of an address for whoever trusts an authority, or none. */
function ask(url: string, ca?: string, host?: string): Promise<number> {
	return new Promise((done, failed) => {
		get(
			url,
			{
				...(ca ? { ca } : {}),
				...(host ? { headers: { host }, checkServerIdentity: () => undefined } : {}),
				agent: false
			},
			(answer) => {
				answer.resume();
				done(answer.statusCode ?? 0);
			}
		).on('error', failed);
	});
}

/** What a browser knows a key by. */
async function keyDigest(address: string): Promise<string> {
	const { connect } = await import('node:tls');
	const { createHash, X509Certificate } = await import('node:crypto');
	const raw = await new Promise<Buffer>((done, failed) => {
		const socket = connect({ host: address, port: port + 1, rejectUnauthorized: false }, () => {
			done(socket.getPeerCertificate().raw);
			socket.end();
		}).on('error', failed);
	});
	const key = new X509Certificate(raw).publicKey.export({ type: 'spki', format: 'der' });
	return createHash('sha256').update(key).digest('base64');
}

/** Whether a page is given the camera. */
const lensOf = (page: Page) =>
	page.evaluate(async () => {
		const stream = await navigator.mediaDevices.getUserMedia({ video: true });
		const has = stream.getVideoTracks().length > 0;
		for (const track of stream.getTracks()) track.stop();
		return has;
	});
