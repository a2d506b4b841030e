// Practice as the demo's readers have it: what is known of an eye, lessons, exercises, what would move, a mentor.
import { DESK, PHONE, pictureOf, wait } from './camera.mjs';

const DROPS = 7;

/** A few drops, at the pace of a hand that waits for the colour. */
async function drip(page, drops) {
	await page.click('h1');
	for (let i = 0; i < drops; i++) {
		await page.keyboard.press('Space');
		await wait(900);
	}
}

export async function practicePictures({ visit, compose, phones }) {
	const pictures = [];
	const keep = async (page, into = pictures) => {
		await page.evaluate(() => document.activeElement?.blur());
		into.push(await pictureOf(page));
	};
	await visit(DESK, 'light', async ({ goto, page, press }) => {
		await goto('/practice');
		await keep(page);
		await goto('/practice/end-point?kit=alk-syringe&mode=slow');
		await drip(page, DROPS);
		await keep(page);
		await goto('/practice/end-point?kit=ca-syringe');
		await drip(page, DROPS + 3);
		await page.keyboard.press('Enter');
		await wait(1500);
		await keep(page);
		await goto('/practice?weigh=end-point/alk-syringe/0&span=all');
		await keep(page);
		await goto('/practice/steps?kit=po4-card');
		await keep(page);
		await goto('/practice/scale?scale=syringe');
		// One that is held tip up.
		for (let i = 0; i < 8 && !(await page.$('[aria-label*="upside down"]')); i++) {
			await page.type('main input', '0.5');
			await press('That is it');
			await press('Next');
		}
		await keep(page);
		await goto('/practice/scale?scale=float');
		await keep(page);
		await goto('/practice/mentor');
		await keep(page);
	});
	await visit(DESK, 'dark', async ({ goto, page }) => {
		await goto('/practice/end-point?kit=mg-syringe');
		await drip(page, 4);
		await keep(page);
	});
	await visit({ width: PHONE.width, height: PHONE.height }, 'light', async ({ goto, page }) => {
		await goto('/practice/end-point?kit=ca-syringe');
		await drip(page, 3);
		await keep(page, phones);
	});
	await compose('practice', pictures, { ...DESK, inRow: 3 });
}
