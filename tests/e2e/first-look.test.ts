import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { faultsOn } from './axe.ts';
import { openPage, PHONE, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

const FIRST = { isFirst: true };
const card = (me: Person) =>
	me.page.evaluate(() => document.querySelector<HTMLElement>('[role="dialog"]')?.innerText ?? '');

describe('the first look at the demo', () => {
	it.each([['a desk', 'dark', undefined] as const, ['a phone', 'light', PHONE] as const])(
		'has four stops, each beside what it is about, at %s, %s, and is never shown twice',
		async (_, theme, viewport) => {
			const me = await openPage(world, '/', viewport, FIRST);
			await me.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
			await me.page.setBypassCSP(true);
			for (let stop = 1; stop <= 4; stop++) {
				await me.sees(`A first look, ${stop} of 4`);
				const seen = await me.page.evaluate(() => {
					const box = document.querySelector('[role="dialog"]')!.getBoundingClientRect();
					return {
						within: box.left >= 0 && box.right <= innerWidth && box.top >= 0 && box.bottom <= innerHeight,
						marked: document.querySelectorAll('.toured').length
					};
				});
				expect(seen).toEqual({ within: true, marked: 1 });
				expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
				await me.press(stop < 4 ? 'Next' : 'Done');
			}
			expect(await card(me)).toBe('');
			expect(await me.page.$('.toured')).toBeNull();
			await me.page.reload();
			await me.sees('The water now');
			expect(await card(me)).toBe('');
			expect(me.complaints).toEqual([]);
			await me.close();
		}
	);
	it('can be skipped, and then does not come again either', async () => {
		const me = await openPage(world, '/', undefined, FIRST);
		await me.sees('A first look, 1 of 4');
		expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
		await me.press('Skip');
		await me.goto('/trends');
		await me.goto('/today');
		await me.sees('The water now');
		expect(await card(me)).toBe('');
		await me.close();
	});
});

describe('somebody new, without help', () => {
	/** Presses are counted; what is typed is none. */
	const hand = (me: Person) => {
		let presses = 0;
		return {
			async press(words: string) {
				presses++;
				await me.press(words);
			},
			get presses() {
				return presses;
			}
		};
	};
	it('finds six things within three presses each', async () => {
		const me = await openPage(world);
		const found: Record<string, number> = {};

		// When the next test is due stands there without a press.
		await me.sees('Next tests');
		found.next = 0;

		let one = hand(me);
		await one.press('Phosphate');
		await me.sees(/Last read|last read/);
		found.phosphate = one.presses;

		one = hand(me);
		await one.press('Alkalinity');
		await me.sees(/below 7\.5|outside/i);
		found.outside = one.presses;

		one = hand(me);
		await me.goto('/today');
		await one.press('Enter a dose, a change or a note');
		await me.fill('[name="amountMl"], [name="details.amountMl"]', '12');
		found.dose = one.presses + 1;

		one = hand(me);
		await me.goto('/today');
		await one.press('Shelf');
		await me.sees('Ends soon, or has ended');
		const [ending] = await me.page.$$eval('tbody tr[data-index]', (rows) => rows.map((r) => r.innerText));
		expect(ending).toMatch(/Past its date|ends/);
		found.kit = one.presses;

		one = hand(me);
		await me.goto('/today');
		await one.press('Log');
		await me.sees('Search notes and values');
		await one.press('Correct');
		await me.sees('Why is it corrected?');
		found.slip = one.presses + 1;

		for (const [thing, presses] of Object.entries(found)) expect(presses, thing).toBeLessThanOrEqual(3);
		await me.close();
	});

	it('types five tests that were made already in under a minute, by the keyboard alone, and saves them with one press', async () => {
		const me = await openPage(world);
		await me.goto('/bench/taken');
		await me.page.waitForSelector('input[data-taken]');
		const start = Date.now();
		await me.page.focus('[role=group][aria-label="Alkalinity"] input');
		for (const text of ['0.47', '0.80', '0.33']) {
			await me.page.keyboard.type(text);
			await me.page.keyboard.press('Enter');
		}
		await me.page.focus('[role=group][aria-label="Nitrate"] input');
		for (const text of ['8', '0']) {
			await me.page.keyboard.type(text);
			await me.page.keyboard.press('Enter');
		}
		await me.sees(/Save these \d results/);
		const before = (await me.csv()).length;
		await me.press('Save these');
		await me.sees('See Today');
		expect(Date.now() - start).toBeLessThan(60_000);
		const after = await me.csv();
		expect(after.length - before).toBeGreaterThanOrEqual(4);
		await me.goto('/log?what=readings');
		await me.sees('0.47 mL left');
		// What cannot be meant is told at once, and takes none of its neighbours along.
		await me.goto('/bench/taken');
		await me.page.waitForSelector('input[data-taken]');
		await me.page.type('[role=group][aria-label="Alkalinity"] input', '47');
		await me.sees('The syringe holds 1 mL');
		await me.page.type('[role=group][aria-label="Magnesium"] input', '0.33');
		await me.sees('Save this result');
		await me.sees('Not saved as it stands: Alkalinity');
		expect(me.complaints).toEqual([]);
		await me.close();
	});
});
