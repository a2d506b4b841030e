import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openPage, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

const LEAFLET = ['mL used\tCa mg/L', '0.00\t0', '0.20\t108', '0.45\t246', '0,80\t436', '1.00\t546'].join(
	'\n'
);

async function enterKit(me: Person): Promise<string> {
	await me.goto('/methods/new');
	await me.fill('input[name="name"]', 'Harbour calcium kit');
	await me.fill('input[name="fullMl"]', '4');
	await me.page.select('select[name="readAs"]', 'used');
	await me.page.select('select[name="worthBy"]', 'table');
	await me.page.waitForSelector('textarea[name="table"]');
	await me.page.$eval(
		'textarea[name="table"]',
		(e, text) => {
			e.value = text;
			e.dispatchEvent(new Event('input', { bubbles: true }));
		},
		LEAFLET
	);
	await me.sees('5 rows read, from 0 → 0 to 1 → 546.');
	await me.fill(
		'textarea[name="steps"]',
		'5 drops A; swirl 10 s; wait exactly 1 min; sing to it; titrate with B until blue'
	);
	await me.sees('Add 5 drops of A');
	await me.sees('Wait exactly 1 minute');
	await me.sees('kept in your own words');
	await me.press('Save the method');
	await me.sees('Version 1, your own.');
	return new URL(me.page.url()).pathname.split('/').at(-1)!;
}
/** One test with a method; the result as the log's file has it, to the last digit. */
async function measured(me: Person, code: string): Promise<string[]> {
	await me.goto('/bench');
	await me.choose(code);
	await me.press('Start ');
	await me.toReading();
	const inputs = await me.page.$$('input[inputmode="decimal"]');
	await inputs[1]!.click({ count: 3 });
	await me.page.keyboard.type('0.79');
	await me.page.keyboard.press('Tab');
	await me.press('Colour has turned');
	await me.sees('the leaflet’s table, straight between its rows');
	await me.press('Save the result');
	await me.sees('Saved.');
	return (await me.csv())[1]!.slice(4, 11);
}
async function bringIn(me: Person, file: string): Promise<void> {
	await me.goto('/methods');
	const input = (await me.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
	await input.uploadFile(file);
	await me.press('Bring it in');
}

describe('a kit from a leaflet', () => {
	const folder = mkdtempSync(join(tmpdir(), 'tevrik-methods-'));

	it('is entered, tested with, taken out, wiped, brought in, and gives the same to the last digit', async () => {
		const me = await openPage(world);
		const code = await enterKit(me);
		const first = await measured(me, code);
		const text = await me.page.evaluate(
			async (url) => (await fetch(url)).text(),
			`${me.base}/methods/${code}/file`
		);
		const file = join(folder, 'kit.json');
		writeFileSync(file, text);
		await me.close();

		// Another world: nothing of the kit is there.
		await world.stop();
		world = await startWorld();
		const other = await openPage(world);
		await other.goto('/methods');
		expect(await other.text()).not.toContain('Harbour calcium kit');
		await bringIn(other, file);
		await other.sees('Harbour calcium kit');
		await other.sees('Version 1, your own.');
		const again = new URL(other.page.url()).pathname.split('/').at(-1)!;
		expect(await measured(other, again)).toEqual(first);
		expect(other.complaints).toEqual([]);
		await other.close();
	});

	it('changed, shows how each result would move before anything moves', async () => {
		const me = await openPage(world);
		const code = await enterKit(me);
		await measured(me, code);
		await me.goto(`/methods/${code}`);
		await me.press('Change it');
		await me.page.waitForSelector('select[name="worthBy"]');
		await me.page.select('select[name="worthBy"]', 'factor');
		await me.fill('input[name="factor"]', '560');
		await me.press('Save the next version');
		await me.sees('Version 2, your own.');
		await me.sees('1 result came from an older version');
		await me.sees('Nothing has moved yet');
		const before = (await me.csv())[1]![6];
		await me.press('Derive them again');
		await me.sees('Derived again: 1 result.');
		const after = (await me.csv())[1]!;
		expect(Number(after[6])).not.toBeCloseTo(Number(before), 3);
		expect(Number(after[6])).toBeCloseTo(560 * (0.79 - 0.0075), 3);
		await me.close();
	});

	it('is duplicated from a shipped one in one press, of any kind', async () => {
		const me = await openPage(world);
		await me.goto('/methods/new?from=no3-card');
		await me.sees('Adapt Nitrate by colour card');
		await me.goto('/methods/new?from=mg-syringe');
		await me.press('Save the method');
		await me.sees('Magnesium by syringe, my kit');
		// Its own wording, its head start and each reagent with its own danger come along.
		await me.sees('Add 0.60 mL of titrant C in one go');
		await me.sees('C: complexing titrant (harmful)');
		await me.goto('/methods/new?from=no3-card');
		await me.press('Save the method');
		await me.sees('Nitrate by colour card, my kit');
		await me.goto('/methods/new?from=ca-mg-pair');
		// A second titration has fields of its own; nothing is adapted by its written form.
		await me.sees('Then, in the same vial');
		expect(await me.page.$('textarea[name="file"]')).toBeNull();
		await me.press('Save the method');
		await me.sees('Calcium and magnesium in one vial, my kit');
		await me.close();
	});

	it('has steps that are dragged to another place, and marks what it did not understand', async () => {
		const me = await openPage(world);
		await me.goto('/methods/new');
		await me.fill('textarea[name="steps"]', '5 drops A; hum a tune; wait 60 s; titrate with B until blue');
		await me.sees('One step is kept in your own words');
		const handles = await me.page.$$('[data-drag-handle]');
		const [from, to] = await Promise.all([handles[0]!.boundingBox(), handles[2]!.boundingBox()]);
		await me.page.mouse.move(from!.x + 10, from!.y + from!.height / 2);
		await me.page.mouse.down();
		await me.page.mouse.move(to!.x + 10, to!.y + to!.height / 2, { steps: 12 });
		await me.page.mouse.move(to!.x + 10, to!.y + to!.height - 2, { steps: 4 });
		await me.page.mouse.up();
		await me.page.waitForFunction(
			() =>
				document.querySelector<HTMLTextAreaElement>('textarea[name="steps"]')?.value ===
				'hum a tune; wait 60 s; 5 drops A; titrate with B until blue'
		);
		await me.close();
	});

	it('typed wrongly is told in words by the field, and nothing typed is lost', async () => {
		const me = await openPage(world);
		await me.goto('/methods/new');
		await me.press('Save the method');
		await me.sees('needs at least 3 letters');
		await me.fill('input[name="name"]', 'Odd kit');
		await me.press('Save the method');
		await me.sees('A factor of zero would make every reading alike');
		await me.fill('input[name="factor"]', 'many');
		await me.press('Save the method');
		await me.sees('A factor of zero');
		await me.fill('input[name="factor"]', '500');
		await me.fill('input[name="graduationMl"]', '0.03');
		await me.press('Save the method');
		await me.sees('The marks do not divide the scale');
		expect(await me.page.$eval('input[name="name"]', (e) => e.value)).toBe('Odd kit');
		await me.page.select('select[name="worthBy"]', 'table');
		await me.page.waitForSelector('textarea[name="table"]');
		// Ten megabytes pasted by mistake.
		await me.page.$eval('textarea[name="table"]', (e) => {
			e.value = '0.1 5\n'.repeat(1_700_000);
			e.dispatchEvent(new Event('input', { bubbles: true }));
		});
		await me.sees('That is more than can be');
		await me.close();
	});

	it('as a bad file is refused by the path of what is wrong', async () => {
		const me = await openPage(world);
		const text = await me.page.evaluate(
			async (url) => (await fetch(url)).text(),
			`${me.base}/methods/ca-syringe/file`
		);
		const good = JSON.parse(text) as { method: { titration: { meter: { capacityMl: unknown } } } };
		const cases: readonly (readonly [string, RegExp])[] = [
			['{', /not JSON/],
			['{"format":"other"}', /format/],
			[text.replace('"capacityMl": 1', '"capacityMl": "one"'), /method\.titration\.meter/],
			[text.replace('"kind": "swirl"', '"kind": "dance"'), /method\.steps\.5\.action\.kind.*must be one of/],
			['x'.repeat(300_000), /at most 256 kB/]
		];
		expect(good.method.titration.meter.capacityMl).toBe(1);
		for (const [body, message] of cases) {
			const file = join(folder, 'bad.json');
			writeFileSync(file, body);
			expect(readFileSync(file, 'utf8')).toBe(body);
			if (body.length > 262_144) {
				// The browser looks at the size first, and sends nothing.
				await me.goto('/methods');
				const input = (await me.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
				await input.uploadFile(file);
				await me.sees('is larger than any method file');
			} else {
				await bringIn(me, file);
				await me.sees(message);
			}
		}
		await me.close();
	});
});
