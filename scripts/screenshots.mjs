// npm run screenshots   one picture of each main view from the demo world, with a clock that stands still
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, ROOT } from './bootstrap.mjs';
import { main } from './say.mjs';

const CLOCK = '2026-11-23T18:20:00Z,0';
const OUT = join(ROOT, 'docs/screenshots');
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true };

await main(async () => {
	ensurePrograms('mariadb', 'chromium');
	ensurePackages();
	const { launchBrowser } = await import('./browser.mjs');
	const { build, runScript, serve } = await import('./application.mjs');
	const { freePort, startDatabase } = await import('./database.mjs');
	const folder = mkdtempSync(join(tmpdir(), 'tevrik-pictures-'));
	mkdirSync(OUT, { recursive: true });
	build();
	const database = await startDatabase({ folder, throwaway: true });
	let server;
	let browser;
	try {
		runScript('migrate.ts', {
			MIGRATION_DATABASE_URL: database.migrationUrl,
			TEVRIK_APPLICATION_USER: database.applicationUser
		});
		const demo = JSON.parse(runScript('seed.ts', { DATABASE_URL: database.url, TEVRIK_CLOCK: CLOCK }));
		server = await serve({
			port: await freePort(),
			quiet: true,
			env: {
				DATABASE_URL: database.url,
				TEVRIK_CLOCK: CLOCK,
				TEVRIK_SIGN_IN_AS: demo.personId,
				TEVRIK_REQUESTS_PER_MINUTE: '1000000'
			}
		});
		browser = await launchBrowser();
		const wait = (ms) => new Promise((done) => setTimeout(done, ms));

		const visit = async (viewport, theme, walk) => {
			const context = await browser.createBrowserContext();
			const page = await context.newPage();
			await page.setViewport(viewport);
			await page.emulateMediaFeatures([
				{ name: 'prefers-color-scheme', value: theme },
				{ name: 'prefers-reduced-motion', value: 'reduce' }
			]);
			await page.goto(server.origin, { waitUntil: 'networkidle0' });
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
		const titrate = async ({ goto, press, page }) => {
			await goto('/bench');
			await press('Start alkalinity');
			await press('Done');
			await press('Done');
			for (let i = 0; i < 3; i++) await press('Add a drop');
			await press('Done');
			await press('Start swirling');
			// The clock stands still here, so the wait is left rather than waited for.
			await press('Go on as it is');
			await press('Done');
			await page.keyboard.down('Shift');
			for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowDown');
			await page.keyboard.up('Shift');
			for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowDown');
		};

		await visit(DESK, 'light', async ({ goto, shot, press }) => {
			await shot('today');
			await goto('/trends?span=quarter');
			await shot('trends');
			await goto('/log');
			await shot('log');
			await goto('/targets');
			await shot('targets');
			await goto('/bench');
			await shot('bench-choose');
			await press('Start calcium');
			await press('Done');
			await press('Done');
			await press('Add a drop');
			await shot('bench-step');
		});
		await visit(DESK, 'light', async (walk) => {
			await titrate(walk);
			await walk.shot('bench-syringe');
			await walk.press('Colour has turned');
			await walk.shot('bench-result');
		});
		await visit(PHONE, 'light', async (walk) => {
			await walk.shot('today-phone');
			await titrate(walk);
			await walk.shot('bench-syringe-phone');
		});
		await visit(DESK, 'dark', async (walk) => {
			await titrate(walk);
			await walk.shot('bench-syringe-dark');
		});
	} finally {
		await browser?.close();
		await server?.stop();
		await database.stop();
		rmSync(folder, { recursive: true, force: true });
	}
});
