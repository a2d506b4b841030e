// Hands at the bench, as its screens ask for them.
import { wait } from './camera.mjs';

/** Picks a method and goes through its steps until its instrument stands there. */
export const toInstrument = async ({ goto, press, page }, code) => {
	const DONE = ['Colour has turned', 'That is its place', 'That is what it shows', 'That is where it stands'];
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
/** To the end point of an alkalinity by syringe, at a clock that stands still. */
export const titrate = async ({ goto, press, page }) => {
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

/** Lays tests out, each with its method. */
export const layOut = async ({ page, goto, press }, tests) => {
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
export const goThrough = async ({ page }, wanted) => {
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
