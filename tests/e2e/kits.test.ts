import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { begin, saved, type } from './hand.ts';
import { openPage, PHONE, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

/** The mark starts on the palest step; each press is a quarter of the way to the next. */
async function climb(me: Person, index: number, quarters = 0): Promise<void> {
	await me.page.waitForSelector('[role=slider]');
	for (let i = 0; i <= 4 * index + quarters; i++) await me.page.keyboard.press('ArrowUp');
}
/** A choice in the panel of a method, by the words beside it. */
async function pick(me: Person, label: string, value: string): Promise<void> {
	const list = await me.page.waitForSelector(
		`xpath/.//label[contains(., "${label}")]/following-sibling::*//select | .//label[contains(., "${label}")]/following-sibling::select`
	);
	await list!.select(value);
}

/** What each remaining kit is read with, and what the result and the log then say. */
const KITS: readonly [
	code: string,
	hand: (me: Person) => Promise<void>,
	done: string,
	result: RegExp,
	raw: RegExp
][] = [
	[
		'alk-meter',
		(me) => type(me, 'on the display', '143'),
		'That is what it shows',
		/8\.0 ± 0\.3 dKH/,
		/143 mg\/L CaCO₃/
	],
	// 42.5 drops of 10.0 mg/L each.
	['ca-drops', (me) => type(me, 'type the total', '43'), 'Colour has turned', /430 ± 20 mg\/L/, /43 drops/],
	// (0.85 − 0.0075) mL of 1556 mg/L each.
	[
		'mg-syringe',
		(me) => type(me, 'used', '0.85'),
		'Colour has turned',
		/13[01]\d ± 5\d mg\/L/,
		/0\.85 mL used/
	],
	['k-quick', (me) => type(me, 'type the total', '16'), 'Colour has turned', /400 ± 20 mg\/L/, /16 drops/],
	['no3-ladder', (me) => climb(me, 2), 'That is its place', /0\.24(–| and )0\.57 mg\/L NO₃/, /on 0\.4/],
	[
		'po4-card',
		(me) => climb(me, 1, 2),
		'That is its place',
		/0\.04(–| and )0\.10? mg\/L PO₄/,
		/between 0\.04 and 0\.1/
	],
	['no2-card', (me) => climb(me, 1, 1), 'That is its place', /0\.13/, /between 0\.1 and 0\.3, nearer 0\.1/],
	['ph-card', (me) => climb(me, 3), 'That is its place', /7\.9(–| and )8\.1/, /on 8\b/],
	['ph-card-low', (me) => climb(me, 2), 'That is its place', /5\.65(–| and )5\.95/, /on 5\.8/],
	[
		'salinity-meter',
		(me) => type(me, 'on the display', '35.1'),
		'That is what it shows',
		/35\.1 ± 0\.7 PSU/,
		/35\.1 PSU/
	]
];

describe('every kit is gone through from its first step to the log', () => {
	it.each(KITS)('%s', async (code, hand, done, result, raw) => {
		const me = await openPage(world, '/', PHONE);
		// The clock runs sixty times as fast: a hand that a busy machine holds up shakes too long, and starts anew.
		for (let attempt = 0; attempt < 5; attempt++) {
			await begin(me, code);
			await hand(me);
			await me.press(done);
			await me.sees('Save the result');
			if (!(await me.text()).includes('The result cannot be trusted')) break;
			await me.press('Test again instead');
			await me.press('Give this test up');
		}
		await me.sees(result);
		await saved(me, result, raw);
		await me.close();
	});
});

describe('a sample that is not as drawn', () => {
	it('thinned, is told as it was before; old, with a caution that stays with it', async () => {
		const me = await openPage(world);
		await me.goto('/bench');
		await me.choose('no3-ladder');
		await me.press('An older sample, or a thinned one');
		await pick(me, 'The sample was drawn', '72');
		await me.sees('A sample this old no longer tells the nitrate of the water');
		await pick(me, 'The sample was drawn', '1');
		const factors = await me.page.$$eval('select option', (all) => all.map((o) => o.value));
		expect(factors).toContain('5');
		await pick(me, 'Thinned with water', '5');
		await me.press('Start nitrate');
		await me.toReading();
		await climb(me, 2);
		await me.press('That is its place');
		// 0.4 mg/L of one part in five.
		await me.sees(/1\.2–2\.9 mg\/L NO₃/);
		await me.sees('× the dilution, 1:5');
		await saved(me, /Nitrate/, /on 0\.4, thinned 1:5/);
		await me.close();
	});
});
