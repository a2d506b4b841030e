import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Viewport, type BrowserContext, type Page } from 'puppeteer-core';
import { inject } from 'vitest';
import { serve } from '../../scripts/application.mjs';
import { freePort, startDatabase } from '../../scripts/database.mjs';
import { demoMember, readInto, TEST_START } from '../../scripts/test-engine.mjs';
import { grantToApplication } from '../../src/lib/server/db/grants.ts';
import { copyOf } from '../support/engine.ts';
import { lookUntil, PATIENCE_MS, patient, sleep } from './patience.ts';

/** TEVRIK_TEST_LOG=1 shows what the servers say, for looking into a failure. */
const TOLD = Boolean(process.env.TEVRIK_TEST_LOG);

/** All that stays on a device but what it would fetch again. */
const LEFT_BEHIND = 'cookies,local_storage,indexeddb,cache_storage,service_workers,file_systems,websql';

export interface Options {
	/** How many times faster than the machine's the clock goes. */
	readonly rate?: number;
	/** A database server of its own, which may be killed. */
	readonly durable?: boolean;
	readonly signIn?: boolean;
	readonly env?: Record<string, string>;
}

/** A server of its own whose records survive the plug being pulled, filled like the others. */
async function ownServer(template: string) {
	const folder = mkdtempSync(join(tmpdir(), 'tevrik-e2e-'));
	const open = () => startDatabase({ folder });
	const database = await open();
	await readInto(database.migrationUrl, template);
	await grantToApplication(database.migrationUrl, database.applicationUser);
	return { folder, open, database };
}

/** The built application on a database of its own, filled with the demo world, and the shared browser. */
export async function startWorld(options: Options = {}) {
	const templates = inject('templates');
	const demo = join(templates, 'demo.sql');
	const own = options.durable ? await ownServer(demo) : null;
	const shared = own ? null : await copyOf(inject('engine'), demo);
	let database = own?.database ?? null;
	const databaseUrl = () => (database ?? shared!).url;
	const rate = options.rate ?? 1;
	const begun = Date.now();
	let moved = 0;
	/** A server that is started again goes on where its clock would be. */
	const clockNow = () =>
		`${new Date(Date.parse(TEST_START) + moved + (Date.now() - begun) * rate).toISOString()},${rate}`;
	const port = await freePort();
	const startServer = () =>
		serve({
			folder: inject('build'),
			port,
			quiet: !TOLD,
			movable: true,
			env: {
				DATABASE_URL: databaseUrl(),
				TEVRIK_CLOCK: clockNow(),
				TEVRIK_LOG_LEVEL: TOLD ? 'error' : 'silent',
				TEVRIK_REQUESTS_PER_MINUTE: '100000',
				...(options.signIn === false
					? {}
					: {
							TEVRIK_SIGN_IN_AS: demoMember(templates),
							TEVRIK_SECRET: 'a secret for tests, of no use to anybody'
						}),
				...options.env
			}
		});
	let server = await startServer();
	const browser = await puppeteer.connect({ browserWSEndpoint: inject('browser') });
	const contexts = new Set<BrowserContext>();
	const free: BrowserContext[] = [];
	return {
		origin: server.origin,
		/** Its browser keeps the shell, as for a bench without a network. */
		offline: options.durable === true,
		/** A device: one that was given back, wiped but with the programs it has fetched, or a new one. */
		async lend(): Promise<BrowserContext> {
			const context = free.pop() ?? (await browser.createBrowserContext());
			contexts.add(context);
			return context;
		},
		/** Wipes all that a person has left on a device, so that the next finds nothing of it. */
		async giveBack(context: BrowserContext) {
			const used = await context.pages();
			const page = await context.newPage();
			await Promise.all(used.map((other) => other.close()));
			const session = await page.createCDPSession();
			await session.send('Storage.clearDataForOrigin', { origin: server.origin, storageTypes: LEFT_BEHIND });
			await context.clearPermissionOverrides();
			await page.close();
			free.push(context);
		},
		get databaseUrl() {
			return databaseUrl();
		},
		get migrationUrl() {
			return (database ?? shared!).migrationUrl;
		},
		/** Moves the clock of the server and of every open page, instead of waiting. */
		async wait(seconds: number) {
			moved += seconds * 1000;
			server.moveClock(seconds * 1000);
			for (const context of contexts) {
				for (const page of await context.pages()) {
					await page
						.evaluate((ms) => dispatchEvent(new CustomEvent('tevrik:clock', { detail: ms })), seconds * 1000)
						.catch(() => undefined);
				}
			}
		},
		killServer: async () => {
			server.kill('SIGKILL');
			await server.ended;
		},
		startServer: async () => {
			server = await startServer();
		},
		/** As if the plug were pulled on both. */
		async killEverything() {
			server.kill('SIGKILL');
			process.kill(database!.pid, 'SIGKILL');
			await Promise.all([server.ended, database!.ended]);
		},
		async startEverything() {
			database = await own!.open();
			server = await startServer();
		},
		async stop() {
			await Promise.all([...contexts].map((c) => c.close().catch(() => undefined)));
			await browser.disconnect();
			await server.stop();
			await database?.stop();
			await shared?.drop();
			if (own) rmSync(own.folder, { recursive: true, force: true });
		}
	};
}
export type World = Awaited<ReturnType<typeof startWorld>>;

export const DESK = { width: 1280, height: 800 } as const;
export const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true } as const;

/** A page with what a person does on it, and everything the browser complained about. */
export async function openPage(
	world: World,
	path = '/',
	viewport: Viewport = DESK,
	{ isFirst = false }: { readonly isFirst?: boolean } = {}
) {
	const context = await world.lend();
	// Whoever was here before has been shown round.
	if (!isFirst) {
		const { hostname } = new URL(world.origin);
		await context.setCookie({ name: 'tevrik_preferences', value: 'tour:seen', domain: hostname, path: '/' });
	}
	const page: Page = await context.newPage();
	await page.setViewport(viewport);
	const complaints: string[] = [];
	page.on('console', (message) => {
		if (message.type() === 'error')
			complaints.push(`${message.text()} ${message.location().url ?? ''}`.trim());
	});
	page.on('pageerror', (error) => complaints.push(error instanceof Error ? error.message : String(error)));
	await patient(page);
	// Every new window would fetch the whole application once more for its shell; only who works offline needs it.
	if (!world.offline) {
		await page.evaluateOnNewDocument(() => {
			if ('serviceWorker' in navigator) navigator.serviceWorker.register = () => new Promise(() => undefined);
		});
	}
	await page.goto(world.origin + path);
	const base = /^.*\/waters\/[^/]+/.exec(page.url())?.[0] ?? world.origin;

	/** Looks until there is something; a look in vain tells what the person saw instead. */
	async function lookFor<T>(what: string, look: () => Promise<T>): Promise<NonNullable<T>> {
		const found = await lookUntil(look, PATIENCE_MS);
		if (found) return found;
		const seen = await page
			.evaluate(() => document.body.innerText.replace(/\s+/g, ' '))
			.catch(() => 'nothing');
		throw new Error(`waited for ${what} at ${page.url()}; there was: ${seen.slice(0, 1500)}`);
	}

	/** The first visible button, link or label that begins with the words. */
	async function find(words: string) {
		return lookFor(`"${words}" to press`, async () => {
			// A page that does not answer yet is not pressed: what is sent before its programs run is lost.
			const handle = await page.evaluateHandle((text) => {
				if (document.documentElement.dataset.running === undefined) return null;
				const all = [...document.querySelectorAll<HTMLElement>('button, a, label, summary')];
				return all.find(
					(e) => e.innerText.trim().startsWith(text) && e.offsetParent !== null && !e.hasAttribute('disabled')
				);
			}, words);
			return handle.asElement();
		});
	}
	return {
		page,
		base,
		complaints,
		async press(words: string) {
			for (let tries = 0; tries < 3; tries++) {
				const handle = await find(words);
				try {
					// As a thumb would: the thing first, clear of the bar at the bottom.
					// What comes in late moves what stands below it: a person presses what stands still.
					await handle.evaluate(async (e) => {
						const thing = e as Element;
						for (let still = 0, last = NaN, tries = 0; still < 3 && tries < 40; tries++) {
							thing.scrollIntoView({ block: 'center', behavior: 'instant' });
							const { top } = thing.getBoundingClientRect();
							still = top === last ? still + 1 : 0;
							last = top;
							await new Promise((done) => setTimeout(done, 25));
						}
						const hand = { missed: true };
						Object.assign(window, { hand });
						thing.addEventListener('click', () => (hand.missed = false), { capture: true, once: true });
					});
					await (handle as unknown as { click(): Promise<void> }).click();
				} catch {
					// The screen changed under the hand: once more, on what stands there now.
					await sleep(300);
					await (await find(words)).evaluate((e) => (e as HTMLElement).click());
					return;
				}
				// It moved between the look and the thumb, and whoever missed presses again; another page has no such hand.
				const missed = await page
					.evaluate(() => (window as { hand?: { missed: boolean } }).hand?.missed ?? false)
					.catch(() => false);
				if (!missed) return;
			}
			throw new Error(`"${words}" moved away from under the hand three times`);
		},
		/** Picks a method on the bench by its code, opening the list it stands in. */
		async choose(code: string) {
			await lookFor(`the method ${code}`, () =>
				page.evaluate((value) => {
					const button = document.querySelector<HTMLButtonElement>(`button[value="${value}"]`);
					const list = button?.closest('details');
					if (list) list.open = true;
					button?.click();
					return button !== null;
				}, code)
			);
		},
		/**
		 * Goes through the steps of a test until an instrument is to be read.
		 *
		 * @param leaving leaves steps whose time is not over, which makes the result less certain
		 */
		async toReading(leaving = false) {
			const DONE = [
				'Colour has turned',
				'That is its place',
				'That is what it shows',
				'That is where it stands'
			];
			const NEXT = [
				...(leaving ? ['Go on as it is'] : []),
				'Done, go on',
				'Add a drop',
				'Start swirling',
				'Start shaking',
				'Start the wait',
				'It is filtering'
			];
			const end = Date.now() + 4 * PATIENCE_MS;
			while (Date.now() < end) {
				const state = await page.evaluate(
					(done, next) => {
						const buttons = [...document.querySelectorAll<HTMLButtonElement>('main button')].filter(
							(b) => b.offsetParent !== null && !b.disabled
						);
						const has = (text: string) => buttons.find((b) => b.innerText.trim() === text);
						if (done.some(has)) return 'there';
						const press = next.map(has).find((b) => b !== undefined);
						press?.click();
						if (press) return 'pressed';
						const timer = document.querySelector('main [role=timer]')?.textContent ?? '';
						const [, minutes = '0', seconds = '1'] = /(\d+):(\d\d)/.exec(timer) ?? [];
						return 60 * Number(minutes) + Number(seconds);
					},
					DONE,
					NEXT
				);
				if (state === 'there') return;
				// What the clock on the screen still asks for passes at once; the screen has to have seen it.
				if (typeof state === 'number') {
					const shown = await page.evaluate(
						() => document.querySelector('main [role=timer]')?.textContent ?? ''
					);
					await world.wait(Math.max(state, 0.5));
					await page
						.waitForFunction(
							(before) => (document.querySelector('main [role=timer]')?.textContent ?? '') !== before,
							{ timeout: 2000, polling: 30 },
							shown
						)
						.catch(() => undefined);
				}
				await sleep(15);
			}
			throw new Error(`no instrument at ${page.url()}: ${(await this.text()).slice(0, 800)}`);
		},
		async goto(view: string) {
			await page.goto(base + view);
		},
		async sees(text: string | RegExp) {
			const [source, flags] =
				typeof text === 'string'
					? [text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), '']
					: [text.source, text.flags];
			await lookFor(`to see ${String(text)}`, () =>
				page.evaluate(
					(s, f) => new RegExp(s, f).test(document.body.innerText.replace(/\s+/g, ' ')),
					source,
					flags
				)
			);
		},
		text: () => page.evaluate(() => document.body.innerText.replace(/\s+/g, ' ')),
		async fill(selector: string, value: string) {
			await page.waitForSelector(selector);
			await page.$eval(selector, (e) => {
				(e as HTMLInputElement).focus();
				(e as HTMLInputElement).select();
			});
			await page.keyboard.type(value);
			await page.keyboard.press('Tab');
		},
		async csv(): Promise<string[][]> {
			const text = await page.evaluate(async (url) => (await fetch(url)).text(), `${base}/log.csv`);
			return text
				.trim()
				.split('\r\n')
				.map((line) => line.split(','));
		},
		/** Lets time pass without waiting for it. */
		wait: (seconds: number) => world.wait(seconds),
		/** The session, for asking without the browser. */
		cookie: async () => (await context.cookies()).map((c) => `${c.name}=${c.value}`).join('; '),
		close: () => world.giveBack(context)
	};
}
export type Person = Awaited<ReturnType<typeof openPage>>;
