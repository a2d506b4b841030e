// At the sink.
import { PHONE, pictureOf } from './camera.mjs';
import { goThrough } from './hands.mjs';

/** At the sink, phone first: a kit from its leaflet, a set, counting, clean-up, before and after, the seas, a stranger's bottle. */
export async function sinkPictures({ visit, moving, compose }) {
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
			const changes = [];
			for (const what of ['water-change', 'dose']) {
				await goto(`/log?what=${what}`);
				changes.push(...(await page.$$eval('a[href*="/around/"]', (all) => all.map((a) => a.href))));
			}
			// One that was tested on both sides.
			for (const change of changes) {
				await page.goto(change, { waitUntil: 'networkidle0' });
				const first = await page.$('[aria-label="Before and after"] li');
				if (first && /as expected|Less came|More came/.test(await first.evaluate((e) => e.innerText))) break;
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
