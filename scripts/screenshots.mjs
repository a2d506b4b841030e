// npm run screenshots   one picture of each main view from the demo world, with a clock that stands still
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, ROOT } from './bootstrap.mjs';
import { main } from './say.mjs';

const CLOCK = '2026-11-23T18:20:00Z,0';
const MOVING_CLOCK = '2026-11-23T18:20:00Z,20';
const OUT = join(ROOT, 'docs/screenshots');
const SECRET = 'a secret for pictures, of no use to anybody';
/** Whoever was here before has been shown round. */
const TOURED = ['127.0.0.1', 'localhost'].map((domain) => ({
	name: 'tevrik_preferences',
	value: 'tour:seen',
	domain,
	path: '/'
}));
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true };

/** Somebody begins with their own water; the house is served at another address of this machine. */
async function ownPictures({ browser, pictureOf, phones, compose }) {
	const { serve, migrateDatabase, runScript } = await import('./application.mjs');
	const { freePort, startDatabase } = await import('./database.mjs');
	const folder = mkdtempSync(join(tmpdir(), 'tevrik-pictures-own-'));
	const database = await startDatabase({ folder, throwaway: true });
	let server;
	try {
		migrateDatabase(database);
		const env = { DATABASE_URL: database.url, TEVRIK_CLOCK: CLOCK };
		const { beginning } = JSON.parse(runScript('prepare-own.ts', env));
		server = await serve({
			port: await freePort(),
			quiet: true,
			env: {
				...env,
				TEVRIK_SECRET: SECRET,
				TEVRIK_HOUSE_DOOR: JSON.stringify({
					door: 'http://192.168.0.20:4281/',
					addresses: ['https://192.168.0.20:4281/', 'https://kitchen.local:4281/'],
					fingerprint: Array.from({ length: 32 }, (_, i) => (0xa0 + i).toString(16).toUpperCase()).join(':')
				})
			}
		});
		const context = await browser.createBrowserContext();
		const page = await context.newPage();
		await page.setViewport(DESK);
		const both = async (pictures) => {
			await page.evaluate(() => document.activeElement?.blur());
			pictures.push(await pictureOf(page));
			// A browser that becomes a phone's loads its page anew; one that becomes narrow does not.
			await page.setViewport({ width: PHONE.width, height: PHONE.height });
			phones.push(await pictureOf(page));
			await page.setViewport(DESK);
		};
		const on = () =>
			Promise.all([
				page.waitForNavigation({ waitUntil: 'networkidle0' }),
				page.click('main button[type=submit]')
			]);
		const begin = [];
		await page.goto(`${server.origin}/begin/${beginning}`, { waitUntil: 'networkidle0' });
		await page.type('[name=displayName]', 'Rowan');
		await page.type('[name=password]', 'four odd green pumps');
		await both(begin);
		await on();
		await page.type('[name=name]', 'Kitchen reef');
		await page.click('input[value="mixed-reef"]');
		for (const [name, text] of [
			['long', '120'],
			['deep', '50'],
			['filled', '48']
		])
			await page.type(`[name=${name}]`, text);
		await page.select('[name=rock]', 'usual');
		await page.select('[name=runs]', 'two-years');
		await both(begin);
		await on();
		for (const code of ['alk-syringe', 'ca-syringe', 'no3-card']) await page.click(`input[value=${code}]`);
		await both(begin);
		await on();
		const base = page.url().replace(/\/bench.*/, '');
		const own = [];
		await page.goto(`${base}/methods/new?parameter=calcium`, { waitUntil: 'networkidle0' });
		await page.type('[name=name]', 'Calcium, blue box');
		await page.select('[name=worthBy]', 'table');
		await page.type('[name=table]', '0.0 560\n0.1 504\n0.2 448\n0.3 329\n0.4 336\n0.5 280\n0.7 168\n0.8 112');
		await page.type(
			'[name=steps]',
			'8 drops A; swirl 10 s; 1 level scoop B; swirl 20 s; titrate with C until blue'
		);
		await page.setViewport({ ...DESK, height: 1600 });
		await page.evaluate(() => scrollTo(0, 0));
		begin.push(await pictureOf(page));
		await page.setViewport(DESK);
		await page.goto(`${base}/log/earlier`, { waitUntil: 'networkidle0' });
		const rows = [
			['12 Oct', '8.1', '432', '1310', '6', '0.05', '35'],
			['26 Oct', '7.9', '428', '1300', '8', '0.06', '35'],
			['9 Nov', '7.8', '425', '1300', '8', '', '34.8']
		];
		for (const [at, cells] of rows.entries()) {
			for (const [column, text] of cells.entries()) {
				await page.focus(`[data-cell="${at}/${column}"]`);
				await page.keyboard.type(text);
			}
		}
		await both(own);
		await page.evaluate(() =>
			[...document.querySelectorAll('main button')]
				.find((b) => b.innerText.trim().startsWith('Keep '))
				.click()
		);
		await page.waitForFunction(() => document.body.innerText.includes('17 kept.'));
		await page.goto(`${base}/waters`, { waitUntil: 'networkidle0' });
		await page.evaluate(() => (document.querySelector('main details').open = true));
		await both(own);
		await page.goto(`${server.origin}/house`, { waitUntil: 'networkidle0' });
		await both(own);
		await page.goto(`${base}/today`, { waitUntil: 'networkidle0' });
		own.push(await pictureOf(page));
		await compose('begin', begin.slice(0, 3), { ...DESK, inRow: 1 });
		await compose('own', [begin[3], ...own], { ...DESK, inRow: 2, tall: 1 });
		await context.close();
	} finally {
		await server?.stop();
		await database.stop();
		rmSync(folder, { recursive: true, force: true });
	}
}

/** Somebody is asked in, comes in on a phone, and sets up a second step; a tablet, a round, a sheet for a visitor. */
async function peoplePictures({ browser, origin, pictureOf, phones, compose }) {
	const device = async (viewport) => {
		const context = await browser.createBrowserContext();
		await context.setCookie(...TOURED);
		const page = await context.newPage();
		await page.setViewport(viewport);
		return page;
	};
	const go = (page, path) => page.goto(origin + path, { waitUntil: 'networkidle0' });
	const press = async (page, words) => {
		const handle = await page.waitForFunction(
			(text) =>
				[...document.querySelectorAll('main :is(button, a, summary)')].find(
					(e) => e.innerText.trim().startsWith(text) && e.offsetParent
				),
			{ timeout: 10_000 },
			words
		);
		await handle.click();
		await page.waitForNetworkIdle();
	};
	const linkOn = (page) =>
		page.$eval('main [role=status] .select-all', (e) => new URL(e.innerText.trim()).pathname);
	const pictures = [];
	const keep = async (page, into = pictures) => {
		await page.evaluate(() => (document.activeElement?.blur(), scrollTo(0, 0)));
		into.push(await pictureOf(page));
	};

	const owner = await device(DESK);
	await go(owner, '/');
	const base = new URL(owner.url()).pathname.replace(/\/today$/, '');
	await go(owner, `${base}/people`);
	await owner.type('[name=forWhom]', 'Mika');
	await owner.click('[name=withCode]');
	await press(owner, 'Make the invitation');
	await keep(owner);
	const [link, code] = [
		await linkOn(owner),
		await owner.$eval('main [role=status] .tracking-widest', (e) => e.innerText)
	];

	const guest = await device(PHONE);
	await go(guest, link);
	await guest.type('[name=code]', code);
	await guest.type('[name=displayName]', 'Mika');
	await guest.type('[name=password]', 'three odd red snails');
	await keep(guest, phones);
	await Promise.all([
		guest.waitForNavigation({ waitUntil: 'networkidle0' }),
		press(guest, 'Make my account')
	]);
	await guest.setViewport({ ...DESK, height: 1000 });
	await go(guest, '/account');
	await press(guest, 'Set it up');
	await guest.type('form[action="?/begin"] [name=password]', 'three odd red snails');
	await press(guest, 'Go on');
	await guest.setViewport(DESK);
	await keep(guest);
	await guest.evaluate(() => document.querySelector('main img').scrollIntoView({ block: 'center' }));
	pictures.push(await pictureOf(guest));

	await go(owner, `${base}/people`);
	await press(owner, 'Add a device');
	await owner.type('[name=name]', 'Tablet on the cabinet');
	await press(owner, 'Make its link');
	const tablet = await device(DESK);
	await go(tablet, await linkOn(owner));
	await Promise.all([tablet.waitForNavigation({ waitUntil: 'networkidle0' }), press(tablet, 'Yes, this')]);
	await go(tablet, '/place');
	await keep(tablet);

	await go(owner, `${base}/round`);
	await owner.$$eval('[name=tank]', (all) => all.slice(0, 3).forEach((e) => e.click()));
	await press(owner, 'Plan the round');
	await keep(owner);
	await go(owner, `${base}/sheet`);
	await owner.type('[name=forWhom]', 'Ines');
	await owner.type('[name=note]', 'Feed half until nitrate is down.');
	await keep(owner);
	await press(owner, 'Make a link');
	await go(guest, await linkOn(owner));
	await guest.setViewport({ width: PHONE.width, height: PHONE.height });
	await keep(guest, phones);
	await compose('people', pictures, { ...DESK, inRow: 2 });
}

/** At the sink, phone first: a kit from its leaflet, a set, counting, clean-up, before and after, the seas, a stranger's bottle. */
async function sinkPictures({ visit, moving, goThrough, pictureOf, compose }) {
	const pictures = [];
	const keep = async (page) => {
		await page.evaluate(() => document.activeElement?.blur());
		pictures.push(await pictureOf(page));
	};
	await visit(
		PHONE,
		'light',
		async ({ goto, press, page }) => {
			await goto('/methods/new?parameter=calcium');
			await page.type(
				'textarea[name=steps]',
				'shake A 30 s; 8 drops A, swirling after each; hum a tune; 1 level scoop B; swirl 20 s; titrate with C until blue'
			);
			await page.waitForSelector('[data-drag-handle]');
			await page.$eval('textarea[name=steps]', (e) =>
				scrollTo(0, e.getBoundingClientRect().top + scrollY - 120)
			);
			await keep(page);
			await goto('/bench');
			await keep(page);
			await goto('/bench?tests=no3-card');
			await press('Lay out this test');
			await page.waitForFunction(() => document.body.innerText.includes('min in all'));
			await keep(page);
			await press('Begin');
			await goThrough({ page }, (state) => state.press === 'Add a drop');
			await page.keyboard.press('F8');
			await page.waitForFunction(() => /\b1\s+of \d+ drops/.test(document.body.innerText));
			await keep(page);
			await goThrough({ page }, () => false);
			await page.waitForFunction(() => document.body.innerText.includes('The session is done'));
			await page.evaluate(() =>
				document.querySelector('main ul[aria-label="Clean up"]').scrollIntoView({ block: 'center' })
			);
			await keep(page);
			await press('Done, clear the bench');
			await goto('/log?what=water-change');
			const changes = await page.$$eval('a[href*="/around/"]', (all) => all.map((a) => a.href));
			// One that was tested on both sides.
			for (const change of changes) {
				await page.goto(change, { waitUntil: 'networkidle0' });
				const head = await page.$eval('main', (e) => e.innerText.slice(0, 400));
				if (!head.includes('not read')) break;
			}
			await keep(page);
			await goto('/sea');
			await keep(page);
			await goto('/guests');
			await page.type('input[name=name]', 'Corner house');
			await keep(page);
		},
		moving
	);
	await compose('sink', pictures, { width: PHONE.width, height: PHONE.height, inRow: 4 });
}

/** Goes through the demo, at the desk and at the bench. */
async function pictures(browser, server, moving) {
	const wait = (ms) => new Promise((done) => setTimeout(done, ms));
	/** A picture that goes into another with its like. */
	const pictureOf = async (page) => {
		await page.mouse.move(1, 1);
		await wait(250);
		return page.screenshot({ encoding: 'base64' });
	};
	/** Pictures of one size side by side in one file. */
	const compose = async (name, pictures, { width, height, inRow, tall = 0 }) => {
		// A tall one takes the room of two.
		const rows = Math.ceil((pictures.length + tall) / inRow);
		const sheet = await browser.newPage();
		const gap = 20;
		await sheet.setViewport({ width: inRow * (width + gap) - gap, height: rows * (height + gap) - gap });
		const images = pictures
			.map((data, i) => `<img style="grid-row:span ${i < tall ? 2 : 1}" src="data:image/png;base64,${data}">`)
			.join('');
		await sheet.setContent(
			`<body style="margin:0;display:grid;grid-template-columns:repeat(${inRow},${width}px);gap:${gap}px;background:#888">${images}</body>`
		);
		await sheet.screenshot({ path: join(OUT, `${name}.png`) });
		await sheet.close();
		console.log(`docs/screenshots/${name}.png`);
	};
	const phones = [];
	const instruments = [];

	const visit = async (viewport, theme, walk, from = server) => {
		const context = await browser.createBrowserContext();
		await context.setCookie(...TOURED);
		const page = await context.newPage();
		await page.setViewport(viewport);
		await page.emulateMediaFeatures([
			{ name: 'prefers-color-scheme', value: theme },
			{ name: 'prefers-reduced-motion', value: 'reduce' }
		]);
		await page.goto(from.origin, { waitUntil: 'networkidle0' });
		const base = page.url().replace(/\/today$/, '');
		await walk({
			page,
			goto: async (view) => {
				await page.goto(base + view, { waitUntil: 'networkidle0' });
				await wait(500);
			},
			press: async (words) => {
				const handle = await page.waitForFunction(
					(text) =>
						[...document.querySelectorAll('button, a')].find(
							(e) => e.innerText.trim().startsWith(text) && !e.disabled
						),
					{ timeout: 10_000 },
					words
				);
				await handle.click();
				await wait(120);
			},
			shot: async (name) => {
				await page.mouse.move(1, 1);
				await wait(250);
				await page.screenshot({ path: join(OUT, `${name}.png`) });
				console.log(`docs/screenshots/${name}.png`);
			}
		});
		await context.close();
	};
	/** Picks a method and goes through its steps until its instrument stands there. */
	const toInstrument = async ({ goto, press, page }, code) => {
		const DONE = [
			'Colour has turned',
			'That is its place',
			'That is what it shows',
			'That is where it stands'
		];
		const NEXT = ['Go on as it is', 'Done, go on', 'Add a drop', 'Start', 'It is filtering'];
		await goto('/bench');
		await page.evaluate((value) => document.querySelector(`button[value="${value}"]`).click(), code);
		await press('Start ');
		for (let i = 0; i < 200; i++) {
			await wait(60);
			const there = await page.evaluate(
				(done, next) => {
					const buttons = [...document.querySelectorAll('main button')].filter(
						(b) => b.offsetParent && !b.disabled
					);
					const has = (text) => buttons.find((b) => b.innerText.trim().startsWith(text));
					if (done.some(has)) return true;
					next.map(has).find(Boolean)?.click();
					return false;
				},
				DONE,
				NEXT
			);
			if (there) return;
		}
		throw new Error(`${code} has no instrument`);
	};
	const titrate = async ({ goto, press, page }) => {
		await goto('/bench');
		await page.evaluate(() => document.querySelector('button[value="alk-syringe"]').click());
		await press('Start alkalinity');
		await press('Done');
		await press('Done');
		for (let i = 0; i < 3; i++) await press('Add a drop');
		// The clock stands still here, so the wait is left rather than waited for.
		await press('Go on as it is');
		await press('Done');
		await page.keyboard.down('Shift');
		for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowDown');
		await page.keyboard.up('Shift');
		for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowDown');
	};

	await visit(DESK, 'light', async ({ goto, press, page, shot }) => {
		await shot('today');
		await goto('/trends?span=quarter');
		await shot('trends');
		await goto('/log');
		await shot('log');
		await goto('/shelf');
		await shot('shelf');
		await goto('/bench');
		const choosing = [await pictureOf(page)];
		await goto('/bench/taken');
		await page.focus('input[data-taken]');
		for (const read of ['0.47', '0.81']) {
			await page.keyboard.type(read);
			await page.keyboard.press('Enter');
		}
		choosing.push(await pictureOf(page));
		await compose('bench-choose', choosing, { ...DESK, inRow: 2 });
		await goto('/compare?parameter=alkalinity');
		await shot('compare');
		await goto('/adjust/change?litres=120&count=3&target=nitrate&to=4');
		const adjusting = [await pictureOf(page)];
		await goto('/adjust/daily');
		adjusting.push(await pictureOf(page));
		await goto('/adjust/plan');
		adjusting.push(await pictureOf(page));
		await goto('/adjust');
		await compose('adjust', [await pictureOf(page), ...adjusting], { ...DESK, inRow: 2 });
		await press('Raise alkalinity and calcium');
		await page.waitForSelector('main figure');
		await wait(400);
		await shot('plan');
	});
	await visit(DESK, 'light', async ({ page, shot }) => {
		const href = await page.evaluate(
			() =>
				[...document.querySelectorAll('header details a')].find((a) =>
					a.textContent.includes('Classroom tank')
				).href
		);
		await page.goto(href, { waitUntil: 'networkidle0' });
		await page.evaluate(() => document.querySelector('#cycle').scrollIntoView({ block: 'start' }));
		await shot('cycle');
	});
	await visit(DESK, 'light', async (walk) => {
		await titrate(walk);
		const syringe = [await pictureOf(walk.page)];
		await walk.press('Colour has turned');
		syringe.push(await pictureOf(walk.page));
		instruments.push(...syringe);
	});
	await visit(PHONE, 'light', async (walk) => {
		phones.push(await pictureOf(walk.page));
	});
	await visit(DESK, 'light', async (walk) => {
		const { page, press } = walk;
		await toInstrument(walk, 'no3-card');
		for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowUp');
		await press('Daylight, on white');
		instruments.push(await pictureOf(page));
	});
	await compose('bench-read', instruments, { ...DESK, inRow: 3 });
	/** Lays tests out, each with its method. */
	const FIVE = {
		Alkalinity: 'alk-syringe',
		Calcium: 'ca-syringe',
		Magnesium: 'mg-syringe',
		Nitrate: 'no3-ladder',
		Potassium: 'k-filter'
	};
	const layOut = async ({ page, goto, press }, tests = FIVE) => {
		await goto('/bench');
		await page.$$eval('main input[type=checkbox]:checked', (boxes) => boxes.forEach((b) => b.click()));
		for (const [name, code] of Object.entries(tests)) {
			await page.evaluate((n) => {
				const label = [...document.querySelectorAll('label')].find(
					(l) => l.querySelector('strong')?.textContent === n
				);
				if (!document.getElementById(label.htmlFor).checked) label.click();
			}, name);
			await page.waitForSelector(`select[aria-label="Method for ${name}"]`);
			await page.select(`select[aria-label="Method for ${name}"]`, code);
		}
		await press('Lay out these');
		await wait(2500);
	};
	/** Goes through a session as its screens say, until one that is wanted. */
	const goThrough = async ({ page }, wanted) => {
		const PRESS = ['Add a drop', 'It is loaded', 'Start', 'It is filtering', 'Done, go on'];
		for (let i = 0; i < 900; i++) {
			const state = await page.evaluate((words) => {
				const buttons = [...document.querySelectorAll('main button')].filter(
					(b) => b.offsetParent && !b.disabled
				);
				const find = (text) => buttons.some((b) => b.innerText.trim().startsWith(text));
				return {
					heading: document.querySelector('main h1')?.textContent ?? '',
					reads: ['Colour has turned', 'That is its place'].find(find) ?? null,
					press: words.find(find) ?? null,
					save: ['No, as entered', 'Save the result'].find(find) ?? null,
					done: find('Done, clear')
				};
			}, PRESS);
			if (state.done || wanted(state)) return;
			const text = state.save ?? state.reads ?? state.press;
			if (state.reads && !state.save) {
				const [key, times] = state.reads.startsWith('That') ? ['ArrowUp', 9] : ['ArrowDown', 43];
				for (let k = 0; k < times; k++) await page.keyboard.press(key);
			}
			if (text) {
				await page.evaluate((t) => {
					[...document.querySelectorAll('main button')]
						.find((b) => b.offsetParent && !b.disabled && b.innerText.trim().startsWith(t))
						?.click();
				}, text);
			}
			await wait(text ? 90 : 250);
		}
	};
	const session = [];
	const atTitration = (state) => state.reads === 'Colour has turned';
	await visit(
		DESK,
		'light',
		async (walk) => {
			await layOut(walk);
			session.push(await pictureOf(walk.page));
			await walk.press('Begin');
			await goThrough(walk, atTitration);
			for (let k = 0; k < 40; k++) await walk.page.keyboard.press('ArrowDown');
			session.push(await pictureOf(walk.page));
			await goThrough(walk, () => false);
			// What was just finished is still on its way.
			await walk.page.waitForFunction(() => !document.body.innerText.includes('not on the server yet'));
			session.push(await pictureOf(walk.page));
		},
		moving
	);
	await compose('session', session, { ...DESK, inRow: 3 });
	await visit(
		PHONE,
		'light',
		async (walk) => {
			await layOut(walk, { Nitrate: 'no3-card', Phosphate: 'po4-card', Alkalinity: 'alk-syringe' });
			await walk.press('Begin');
			await goThrough(walk, (state) => state.heading.includes('at once'));
			phones.push(await pictureOf(walk.page));
		},
		moving
	);
	await peoplePictures({ browser, origin: server.origin, pictureOf, phones, compose });
	await sinkPictures({ visit, moving, goThrough, pictureOf, compose });
	// A stopped pump, as it shows: three readings by a second kit, each lower than any tank makes it.
	await visit(DESK, 'light', async ({ goto, page, shot }) => {
		for (const [value, hoursAgo] of [
			['5.6', 20],
			['5.0', 8],
			['4.8', 0]
		]) {
			await goto('/log/result?parameter=alkalinity');
			await page.evaluate(
				(fields, ago) => {
					const set = (name, text) => {
						const field = document.querySelector(`main [name="${name}"]`);
						field.value = text;
						field.dispatchEvent(new Event('input', { bubbles: true }));
					};
					for (const [name, text] of fields) set(name, text);
					const [day, month, year, time] = document
						.querySelector('main [name=happenedAt]')
						.value.split(/[/ ]/);
					const shown = Date.parse(`${year}-${month}-${day}T${time}Z`);
					set('happenedAt', new Date(shown - ago * 3_600_000).toISOString().slice(0, 16));
				},
				[
					['value', value],
					['expandedU', '0.2'],
					['source', 'A second kit']
				],
				hoursAgo
			);
			await Promise.all([page.waitForNavigation(), page.click('main form button[type=submit]')]);
		}
		await goto('/adjust/plan?goals=alkalinity');
		await shot('danger');
	});
	// One's own: from nothing, on a database of its own.
	await ownPictures({ browser, pictureOf, phones, compose });
	await compose('phones', phones, { width: PHONE.width, height: PHONE.height, inRow: phones.length });

	// All parts of the interface, in both themes and sizes, side by side.
	const parts = [];
	for (const [viewport, theme] of [DESK, PHONE].flatMap((v) => ['light', 'dark'].map((t) => [v, t]))) {
		await visit({ ...viewport, height: 2900 }, theme, async ({ page }) => {
			await page.goto(`${server.origin}/kit`, { waitUntil: 'networkidle0' });
			await wait(500);
			parts.push(await page.screenshot({ encoding: 'base64' }));
		});
	}
	const sheet = await browser.newPage();
	await sheet.setViewport({
		width: 2 * DESK.width + 2 * PHONE.width + 60,
		height: 2900,
		deviceScaleFactor: 0.5
	});
	const pictures = parts.map((data) => `<img src="data:image/png;base64,${data}">`).join('');
	await sheet.setContent(`<body style="margin:0;display:flex;gap:20px;background:#888">${pictures}</body>`);
	await sheet.screenshot({ path: join(OUT, 'kit.png') });
	console.log('docs/screenshots/kit.png');
}

await main(async () => {
	ensurePrograms('mariadb', 'chromium');
	ensurePackages();
	const { launchBrowser } = await import('./browser.mjs');
	const { withDemoWorld } = await import('./demo-world.mjs');
	mkdirSync(OUT, { recursive: true });
	const shown = { TEVRIK_KIT: '1', TEVRIK_SECRET: SECRET };
	await withDemoWorld({ clock: CLOCK, env: shown }, async (world) => {
		const server = await world.serve({ TEVRIK_CLOCK: CLOCK });
		// A session is shown under way: its clock runs.
		const moving = await world.serve({ TEVRIK_CLOCK: MOVING_CLOCK });
		const browser = await launchBrowser();
		try {
			await pictures(browser, server, moving);
		} finally {
			await browser.close();
		}
	});
});
