// What every picture is taken with: where from, of what size, into which file.
import { join } from 'node:path';
import { ROOT } from '../bootstrap.mjs';

export const CLOCK = '2026-11-23T18:20:00Z,0';
export const MOVING_CLOCK = '2026-11-23T18:20:00Z,20';
export const OUT = join(ROOT, 'docs/screenshots');
export const SECRET = 'a secret for pictures, of no use to anybody';
/** Whoever was here before has been shown round. */
export const TOURED = ['127.0.0.1', 'localhost'].map((domain) => ({
	name: 'tevrik_preferences',
	value: 'tour:seen',
	domain,
	path: '/'
}));
export const DESK = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true };

export const wait = (ms) => new Promise((done) => setTimeout(done, ms));

/** A picture that goes into another with its like. */
export const pictureOf = async (page) => {
	await page.mouse.move(1, 1);
	await wait(250);
	return page.screenshot({ encoding: 'base64' });
};

/** Puts pictures of one size side by side in one file. */
export const composerOf =
	(browser) =>
	async (name, pictures, { width, height, inRow, tall = 0 }) => {
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

/** Somebody who looks at a server, in a browser of their own. */
export const visitorOf =
	(browser, server) =>
	async (viewport, theme, walk, from = server) => {
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
