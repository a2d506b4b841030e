// One's own water, from nothing, on a database of its own.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CLOCK, DESK, PHONE, pictureOf, SECRET } from './camera.mjs';

/** Somebody begins with their own water; the house is served at another address of this machine. */
export async function ownPictures({ browser, phones, compose }) {
	const { serve, migrateDatabase, runScript } = await import('../application.mjs');
	const { freePort, startDatabase } = await import('../database.mjs');
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
