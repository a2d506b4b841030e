import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { faultsOn } from './axe.ts';
import { DESK, openPage, PHONE, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld({ env: { TEVRIK_KIT: '1' } });
});
afterAll(() => world.stop());

/** Somebody whose browser asks for pages in these languages. */
async function readerOf(language: string): Promise<Person> {
	const me = await openPage(world);
	await me.page.setExtraHTTPHeaders({ 'accept-language': language });
	await me.goto('/today');
	return me;
}
const valueOf = (me: Person, selector: string) =>
	me.page.$eval(selector, (field) => (field as HTMLInputElement).value);

describe('a reader', () => {
	it('from where tanks are sold by the gallon reads and enters gallons, days and hours as they have them', async () => {
		const me = await readerOf('en-US,en;q=0.9');
		await me.sees('Monday November 23');
		await me.sees('143 US gal');
		await me.goto('/log/new?kind=water-change');
		await me.sees('The water holds 143 US gal.');
		expect(await valueOf(me, '[name=happenedAt]')).toBe('11/23/2026 6:20 pm');
		await me.fill('[name="details.volumeL"]', 'lots');
		await me.fill('[name=happenedAt]', '11/22/2026 5:05 pm');
		await me.sees('Sun Nov 22 2026, 5:05 pm');
		await me.press('Save the entry');
		await me.page.waitForSelector('[aria-invalid=true]');
		expect(await valueOf(me, '[name="details.volumeL"]')).toBe('lots');
		await me.fill('[name="details.volumeL"]', '10');
		await me.press('Save the entry');
		await me.sees('10 US gal');
		await me.sees('5:05 pm');
		const other = await readerOf('en-GB');
		await other.goto('/log');
		await other.sees('37.85 L');
		await other.sees('17:05');
		await other.close();
		await me.close();
	});
	it('with a decimal comma sees commas and types either mark, and is told what a doubtful number means', async () => {
		const me = await readerOf('de-DE,de;q=0.9');
		await me.sees(/6,[5-9] ± 0,\d/);
		await me.goto('/log/result');
		await me.fill('[name=value]', '1.025');
		await me.sees('Understood as 1,025, not as 1025.');
		await me.fill('[name=value]', '8,15');
		await me.fill('[name=source]', 'a laboratory');
		await me.press('Save the result');
		await me.sees(/8,\d+/);
		await me.close();
	});
	it('chooses otherwise in the head, and keeps it', async () => {
		const me = await readerOf('en-GB');
		await me.press('Region');
		// Its fields are fetched when they are wanted first.
		await me.page.waitForSelector('header select[name=clock]', { visible: true });
		await me.page.select('header select[name=clock]', '12');
		await me.page.select('header select[name=dates]', 'month');
		await me.press('Keep these');
		await me.sees('Monday November 23');
		await me.goto('/log');
		await me.sees('pm');
		expect(await me.page.$eval('body', (b) => / \d\d:\d\d /.test(b.innerText))).toBe(false);
		await me.close();
	});
});

describe('the parts', () => {
	it.each([
		['light', DESK],
		['dark', DESK],
		['light', PHONE],
		['dark', PHONE]
	] as const)('are accessible and fit, %s', async (theme, viewport) => {
		const me = await openPage(world, '/kit', viewport);
		await me.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
		await me.page.setBypassCSP(true);
		await me.page.goto(`${world.origin}/kit`);
		await me.sees('Tables');
		expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
		expect(me.complaints).toEqual([]);
		await me.close();
	});
	it('that float are opened and left with the keyboard, and give the focus back', async () => {
		const me = await openPage(world, '/kit');
		const focused = () => me.page.evaluate(() => document.activeElement?.textContent?.trim() ?? '');
		const key = (name: 'Enter' | 'Escape' | 'Tab' | 'ArrowDown') => me.page.keyboard.press(name);
		const to = (words: string) =>
			me.page.evaluate((w) => {
				[...document.querySelectorAll<HTMLElement>('button, summary')]
					.find((e) => e.textContent?.trim().startsWith(w))!
					.focus();
			}, words);
		await me.sees('What floats');
		await to('Take it back');
		await key('Enter');
		await me.page.waitForSelector('dialog[open]');
		await me.sees('It stays in the Log');
		await key('Escape');
		await me.page.waitForFunction(() => !document.querySelector('dialog[open]'));
		expect(await focused()).toMatch(/^Take it back/);
		await key('Enter');
		await me.page.waitForSelector('dialog[open]');
		expect(await focused()).toBe('Take it back');
		await key('Enter');
		await me.sees('The reading is gone.');
		await me.press('Keep it');
		await me.sees('The reading is kept.');
		await to('What you need');
		await key('Enter');
		await me.sees('A clean vial');
		await key('Escape');
		await me.page.waitForFunction(() => !document.querySelector('dialog[open]'));
		await to('Lobby reef');
		await key('ArrowDown');
		await me.page.waitForFunction(() => document.activeElement?.textContent === 'Cuttings tray');
		await key('Escape');
		expect(await focused()).toBe('Lobby reef');
		await to('95 %');
		await me.sees('19 times out of 20');
		expect(me.complaints).toEqual([]);
		await me.close();
	});
	it('of a long table draw what is in view, and are walked to their end', async () => {
		const me = await openPage(world, '/kit');
		await me.page.waitForSelector('tr[data-index="0"]');
		const drawn = () => me.page.$$eval('tr[data-index]', (rows) => rows.length);
		await me.page.waitForSelector('input[aria-label="Search: Readings"]');
		expect(await drawn()).toBeLessThan(120);
		await me.page.focus('tr[data-index="0"]');
		await me.page.keyboard.press('End');
		await me.page.waitForFunction(() => document.activeElement?.getAttribute('data-index') === '399');
		expect(await drawn()).toBeLessThan(120);
		await me.page.keyboard.press('Home');
		await me.page.waitForFunction(() => document.activeElement?.getAttribute('data-index') === '0');
		await me.fill('input[aria-label="Search: Readings"]', 'magnesium poor');
		await me.sees(/\d+ of 400 hold it/);
		await me.close();
	});
});
