import type { Page } from 'puppeteer-core';
import { sleep } from './patience.ts';
import type { Person } from './world.ts';

/** What a screen of the bench asks for, and what a calm hand does then. */
const READINGS = [
	'Colour has turned',
	'That is its place',
	'That is what it shows',
	'That is where it stands'
] as const;
const PRESS = [
	'I have seen it',
	'Add a drop',
	'It is loaded',
	'Start swirling',
	'Start shaking',
	'Start the wait',
	'It is filtering',
	'Done, go on'
];
const AFTER = ['No, as entered', 'Save the result', 'Save again'];

async function see(page: Page) {
	return page.evaluate(
		(readings, press, after) => {
			const buttons = [...document.querySelectorAll<HTMLButtonElement>('main button')].filter(
				(b) => b.offsetParent !== null && !b.disabled
			);
			const has = (text: string) => buttons.some((b) => b.innerText.trim() === text);
			return {
				reading: readings.find(has) ?? null,
				press: press.find(has) ?? null,
				after: after.find(has) ?? null,
				goTo: buttons.map((b) => b.innerText.trim()).find((t) => t.startsWith('Go to ')) ?? null,
				now: document.body.innerText.includes('\nNow\n'),
				done: has('Done, clear the bench'),
				label: document.querySelector('main .label')?.textContent?.trim() ?? ''
			};
		},
		[...READINGS],
		PRESS,
		AFTER
	);
}
const click = (page: Page, text: string) =>
	page.evaluate((t) => {
		[...document.querySelectorAll<HTMLButtonElement>('main button')]
			.find((b) => b.innerText.trim() === t && b.offsetParent !== null && !b.disabled)
			?.click();
	}, text);

/** Sets the instrument of the test in hand to something that it can show. */
async function read(page: Page, done: string): Promise<void> {
	await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
	if (done === 'That is its place') {
		for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
	} else if (done === 'That is what it shows') {
		const field = await page.$('main input[inputmode="decimal"]');
		await field?.click({ count: 3 });
		await page.keyboard.type('21');
		await page.keyboard.press('Tab');
	} else if (done === 'Colour has turned' && (await page.$('[role=slider]'))) {
		await page.keyboard.down('Shift');
		for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowDown');
		await page.keyboard.up('Shift');
	} else {
		for (let i = 0; i < 20; i++) await page.keyboard.press('Space');
	}
}

export interface Happens {
	/** Called after every press, with how many there were. */
	readonly after?: (presses: number) => Promise<void>;
	/** Looked at all the time; ends when it is true. */
	readonly until?: () => Promise<boolean>;
	/** Ends when this many results were kept; otherwise when the session is done. */
	readonly untilKept?: number;
	/** The longest that it may take, seconds of the wall. */
	readonly patienceS?: number;
}

/** Goes through a session as its screens say, until it is done. */
export async function throughSession(
	me: Person,
	happens: Happens = {}
): Promise<{ kept: number; presses: number }> {
	const { page } = me;
	let kept = 0;
	let presses = 0;
	const end = Date.now() + 1000 * (happens.patienceS ?? 120);
	while (Date.now() < end) {
		if (await happens.until?.()) return { kept, presses };
		const seen = await see(page);
		if (seen.done) return { kept, presses };
		if (seen.after) {
			await click(page, seen.after);
			if (seen.after === 'Save the result' || seen.after === 'Save again') {
				kept++;
				await page
					.waitForFunction(
						(text) =>
							![...document.querySelectorAll<HTMLButtonElement>('main button')].some(
								(b) => b.innerText.trim() === text
							),
						{ timeout: 10_000 },
						seen.after
					)
					.catch(() => undefined);
				if (kept === happens.untilKept) return { kept, presses };
			}
		} else if (seen.reading) {
			await read(page, seen.reading);
			await click(page, seen.reading);
		} else if (seen.press) await click(page, seen.press);
		else if (seen.goTo && seen.now) await click(page, seen.goTo);
		else {
			await sleep(60);
			continue;
		}
		presses++;
		await happens.after?.(presses);
	}
	throw new Error(`the session does not end: ${(await me.text()).slice(0, 1200)}`);
}

/** Ticks tests on the bench, each with its method, and lays them out. */
export async function layOutTests(me: Person, tests: readonly (readonly [name: string, code: string])[]) {
	await me.goto('/bench');
	await me.sees('What do you test?');
	// What is due stands ticked: only what is asked for stays.
	await me.page.$$eval('main input[type=checkbox]:checked', (boxes) => boxes.forEach((box) => box.click()));
	for (const [name, code] of tests) {
		const ticked = await me.page.evaluate((n) => {
			const label = [...document.querySelectorAll<HTMLLabelElement>('label')].find(
				(l) => l.querySelector('strong')?.textContent === n
			);
			const box = label && document.getElementById(label.htmlFor);
			if (box instanceof HTMLInputElement && !box.checked) label!.click();
			return label !== undefined;
		}, name);
		if (ticked) {
			await me.page.waitForSelector(`select[aria-label="Method for ${name}"]`);
			await me.page.select(`select[aria-label="Method for ${name}"]`, code);
		} else {
			await me.choose(code);
			await me.press('Add it to a session');
		}
	}
	await me.press('Lay out ');
	await me.sees(/Lay out (one test|\d tests) Choose other tests/);
	await me.sees(tests.length === 1 ? /min in all/ : /min in all, \d+ min with your hands/);
}
