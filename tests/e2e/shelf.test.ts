import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openPage, startWorld, type Person, type World } from './world.ts';

let world: World;
let folder: string;
beforeAll(async () => {
	world = await startWorld({ rate: 30 });
	folder = mkdtempSync(join(tmpdir(), 'tevrik-photographs-'));
});
afterAll(async () => {
	await world.stop();
	rmSync(folder, { recursive: true, force: true });
});

/** A test with drops up to its count; then the result is on the screen. */
async function drops(me: Person, count: number): Promise<void> {
	await me.press('Start ');
	await me.toReading();
	// What is pressed straight after the indicator's last drop is still meant for it.
	await new Promise((done) => setTimeout(done, 500));
	for (let i = 0; i < count; i++) await me.page.keyboard.press('a');
	await me.press('Colour has turned');
}
const NAME = 'Alkalinity by drops, new';

async function newLot(me: Person): Promise<void> {
	await me.goto('/shelf');
	await me.press('Put something on it');
	await me.press('Kit or refill');
	await me.press('Alkalinity by drops');
	await me.sees('What is in the bottles');
	await me.fill('input[name="name"]', NAME);
	await me.fill('input[name="price"]', 'cheap');
	await me.press('Put it on the shelf');
	await me.page.waitForSelector('[role=alert], .text-warn');
	expect(await me.page.$eval('input[name="name"]', (e) => e.value)).toBe(NAME);
	await me.fill('input[name="price"]', '9,50');
	await me.fill('input[name="lotCode"]', 'D-99');
	await me.press('Put it on the shelf');
	await me.sees('Is the leaflet in the pack the same as before?');
	await me.press('Opened; the leaflet is the same');
	await me.sees('What was noted');
	await me.sees('Opened; the leaflet is the same as before');
}

describe('the shelf', () => {
	it('has a new lot that is checked on a standard, corrects what is read with it, and shows both values', async () => {
		const me = await openPage(world);
		await newLot(me);
		const page = me.page.url();
		await me.sees('9.50');
		await me.sees('not checked on a standard yet');

		// The standard is tested as the water is: 23 drops where 20 would be right.
		await me.press('Test Check solution, major ions');
		await me.sees('This tests Check solution, major ions, not the water');
		await drops(me, 23);
		await me.sees('No band is set');
		await me.press('Save the result');
		await me.press('Go on with the check');
		await me.sees('read, not weighed yet');
		await me.press('What do they say of the kit?');
		await me.sees(/Alkalinity: (far )?off|Alkalinity: in order/);
		await me.sees('the standard holds 8.10 ± 0.08 dKH');
		await me.press('Retire it');
		await me.sees('Retire the kit, and leave its results as they are');
		await me.press('Leave it as it is');
		await me.press('Correct all its readings by it');
		await me.sees('0 results move');
		await me.press('Correct by it');
		await me.sees('This corrects its readings.');

		await me.goto('/bench');
		await me.choose('alk-drops');
		await me.sees('corrected by its check');
		await drops(me, 23);
		await me.sees(/The kit reads 9\.\d+; its check says × 0\.\d+/);
		await me.sees('Corrected by the kit’s check');
		await me.press('Save the result');
		await me.sees('Saved. Alkalinity 8.');

		// A photograph of the vial, with nonsense before it.
		const nonsense = join(folder, 'vial.jpg');
		writeFileSync(nonsense, 'this is no picture');
		const field = (await me.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
		await field.uploadFile(nonsense);
		await me.sees('This file is no JPEG, PNG or WebP picture');
		const picture = join(folder, 'vial.png');
		const png = await me.page.screenshot({ type: 'png' });
		writeFileSync(picture, png);
		await field.uploadFile(picture);
		await me.page.waitForSelector('img[alt^="Photograph"]');
		await me.goto('/log');
		const shown = await me.page.waitForSelector('img[alt="Photograph 1 of this test"]');
		await me.page.waitForFunction((e) => e.naturalWidth > 100, {}, shown!);

		// Taken back, the results come back; a leaky dropper shows what it would do before it does it.
		await me.page.goto(page);
		await me.press('Take it back');
		await me.sees('1 result moves');
		await me.press('Take the correction back');
		await me.sees('Correction of alkalinity taken back');
		await me.press('Note how a dropper behaves');
		await me.page.select('select[name="state"]', 'leaky');
		await me.press('Note the dropper');
		await me.sees('What is now known of it moves past results');
		await me.press('Derive them again');
		await me.sees('leaks or spits');
		expect(me.complaints).toEqual([]);
		await me.close();
	});
	it('and a photometer is read through to a saved result, its failures answered in words', async () => {
		const me = await openPage(world);
		const letIt = (how: string) => me.page.select('details[aria-label="Simulated photometer"] select', how);
		await me.goto('/bench');
		await me.choose('alk-meter');
		await me.press('Start alkalinity');
		await me.press('Done, go on');
		await me.press('Done, go on');
		await me.press('Simulated photometer');
		await letIt('not-there');
		await me.press('Connect');
		await me.sees('No device answers');
		await letIt('none');
		await me.press('Connect');
		await me.press('Set its zero');
		await me.sees('Its lamp is still warming up');
		await me.sees('ready for its zero');
		await letIt('dirty');
		await me.press('Set its zero');
		await me.sees('Wipe the cuvette');
		await letIt('none');
		await me.press('Set its zero');
		await me.sees('step 4 of 7');
		await me.toReading();
		await letIt('nonsense');
		await me.press('Read it');
		await me.sees('makes no sense, so it was not taken');
		await letIt('lost');
		await me.press('Read it');
		await me.sees('The connection was lost');
		await letIt('none');
		await me.press('Connect');
		await me.press('Read it');
		await me.sees('Its zero comes first');
		await me.sees('ready for its zero');
		await me.press('Set its zero');
		await me.sees('zero is set');
		await me.press('Read it');
		await me.sees(/which is \d/);
		await me.press('That is what it shows');
		await me.press('Save the result');
		await me.sees('Saved. Alkalinity');
		await me.goto('/log');
		await me.sees('Shown by the simulated photometer.');
		expect(me.complaints).toEqual([]);
		await me.close();
	});
	it('keeps a standard that was made at home, and says what cannot be made', async () => {
		const me = await openPage(world);
		await me.goto('/shelf/standard');
		await me.sees('nitrate 1000 ± 10 mg/L NO₃');
		await me.sees('Feeds fire');
		await me.sees('0.25 mL');
		await me.page.select('select[name="salt"]', 'sodium-hydrogencarbonate');
		await me.sees(/alkalinity 5\d\.\d/);
		await me.fill('input[name="massG"]', 'a spoonful');
		await me.press('Put it on the shelf');
		await me.page.waitForSelector('[role=alert]');
		await me.fill('input[name="massG"]', '0,243');
		await me.fill('input[name="massG.half"]', '0.002');
		await me.sees(/alkalinity 8\.1\d? ± 0\.\d+ dKH/);
		await me.fill('input[name="name"]', 'Soda for alkalinity');
		await me.press('Put it on the shelf');
		await me.sees('0.243 g of sodium hydrogencarbonate');
		await me.goto('/shelf');
		await me.sees('Soda for alkalinity');
		expect(me.complaints).toEqual([]);
		await me.close();
	});
	it('compares kits, lists what to buy, prints labels and cards', async () => {
		const me = await openPage(world);
		await me.goto('/shelf/compare?parameter=phosphate');
		await me.sees('Phosphate by display');
		await me.sees('no colour');
		await me.goto('/shelf/shopping');
		await me.sees('Calcium by syringe past its date in about 9 days');
		await me.sees('tests a month');
		await me.goto('/shelf/labels');
		await me.sees('only B');
		await me.press('Ca A');
		expect(await me.page.$$eval('main button[aria-pressed="false"]', (all) => all.length)).toBe(1);
		await me.goto('/methods/ca-mg-pair/card');
		await me.sees('Calcium, mg/L by mL used');
		await me.sees('Magnesium, mg/L by mL used');
		await me.page.emulateMediaType('print');
		expect(await me.page.$eval('article', (e) => e.getBoundingClientRect().width)).toBeGreaterThan(300);
		expect(await me.page.$('header nav').then((e) => e?.isVisible())).toBe(false);
		expect(me.complaints).toEqual([]);
		await me.close();
	});
	it('asks for no checks of those who trust by habit, and takes a retired kit off the bench', async () => {
		const me = await openPage(world);
		await me.goto('/shelf');
		await me.sees('not checked on a standard yet');
		await me.goto('/habits');
		await me.press('trust it until something is odd');
		await me.press('goes back into its bottle');
		await Promise.all([me.page.waitForNavigation(), me.press('Keep these')]);
		await me.goto('/shelf');
		expect(await me.text()).not.toContain('not checked on a standard yet');
		await me.sees('past its date: check it before you trust it');
		await me.press('Magnesium by syringe');
		await me.sees(/0\.8\d mL/);
		await me.press('Retire it');
		await me.fill('details[open] input[name="note"]', 'Spilt.');
		await me.page.$eval('details[open] button[type="submit"]', (e) => (e as HTMLElement).click());
		await me.sees('Retired: Spilt.');
		await me.goto('/bench');
		await me.choose('mg-syringe');
		expect(await me.text()).not.toContain('lot M-20');
		await me.close();
	});
	it('tells of the kit that was off, with every verdict that changed', async () => {
		const me = await openPage(world);
		await me.goto('/shelf');
		await me.press('Retired: ');
		await me.press('Alkalinity by display');
		await me.sees('Alkalinity: far off');
		await me.sees('This corrects its readings.');
		await me.press('Take it back');
		await me.sees(/\d+ are judged otherwise than before/);
		await me.sees('inside → ');
		await me.close();
	});
});
