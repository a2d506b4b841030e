import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { begin, refuses, saved, type } from './hand.ts';
import { sleep } from './patience.ts';
import { DESK, openPage, PHONE, startWorld, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

describe('every form of reading, by hand', () => {
	it('drops: any key counts, bad drops, a range, a habit, undo', async () => {
		const me = await openPage(world, '/', PHONE);
		await begin(me, 'alk-drops');
		await me.press('Colour has turned');
		await me.sees('No drop was counted');
		// A press right after a step has changed is taken for a bounce of the one before.
		await sleep(500);
		await me.page.click('button.surface');
		for (const key of ['Space', 'a', '7'] as const) await me.page.keyboard.press(key);
		await me.page.keyboard.press('Backspace');
		await me.sees(/\b3\b drops/);
		await refuses(me, 'type the total', ['-4', 'lots', '3.5', 'NaN', '9999'], '3');
		await type(me, 'type the total', '21');
		// The bottle on the shelf is noted as leaky, and its drops leave more open.
		await me.sees(/8\.2 ± 1\.\d dKH/);
		await me.press('Bad drop');
		await me.sees('Bad drop: 1');
		await me.press('Somewhere between');
		await me.sees('21 to 22 drops');
		await me.page.select('select', 'one-more-counted');
		await me.press('Colour has turned');
		await me.sees('21 to 22 drops, 1 of them bad, stopped at one drop more, counted');
		await me.sees('the bad drops');
		await saved(me, /Alkalinity/, /21 to 22 drops/);
		await me.close();
	});

	it('a colour: on a rung, between two, by halving, by a second person, beyond the end', async () => {
		const me = await openPage(world, '/', DESK);
		await begin(me, 'no3-card');
		await me.press('That is its place');
		await me.sees('is missing');
		await me.press('Search by halving');
		await me.sees('Darker or paler than');
		await me.press('Paler');
		await me.press('Darker');
		await me.press('Darker');
		await me.sees(/between \d+ and \d+ mg\/L NO₃/);
		await me.press('Nearer');
		await me.sees(', nearer');
		await me.press('Daylight, on white');
		await me.press('A second person reads');
		await me.sees('the first mark is hidden');
		for (let i = 0; i < 5; i++) await me.page.keyboard.press('ArrowUp');
		await me.press('Second reading is done');
		await me.press('That is its place');
		await me.sees('second reader');
		await me.sees('the distance between colour steps');
		await me.press('Check the interval by simulation');
		await me.sees(/By 200.000 simulated tests the true value lies between/);
		await saved(me, /Nitrate/, /second reader/);

		// Whether it turned at all comes before how far.
		await begin(me, 'no3-card');
		await me.press('It turned: how far?');
		await me.sees('Darker or paler than');
		await me.press('Search by halving');
		await me.page.keyboard.press('ArrowDown');
		await me.page.keyboard.press('ArrowUp');
		await me.page.keyboard.press('ArrowUp');
		await me.sees('Beyond the highest step this is a bound');
		await me.press('That is its place');
		await me.sees('A thinned sample would show how much it is');
		await saved(me, /above 60 mg\/L NO₃/, /beyond the highest step/);
		await me.close();
	});

	it('a display in its own unit, over its range, and nonsense', async () => {
		const me = await openPage(world);
		await begin(me, 'po4-meter');
		await type(me, 'on the display', '31');
		await me.sees('0.095 ± 0.012 mg/L PO₄');
		await refuses(me, 'on the display', ['x', '1e3', 'NaN', '--2'], '31');
		for (const nonsense of ['-3', '5000', '3.25']) {
			await type(me, 'on the display', nonsense);
			await me.press('That is what it shows');
			await me.page.waitForSelector('[role=alert]');
		}
		await type(me, 'on the display', '31');
		await me.press('That is what it shows');
		await me.sees('31 µg/L P = 0.0951 mg/L PO₄');
		await saved(me, /0\.095 ± 0\.012 mg\/L PO₄/, /31 µg\/L P/);
		await begin(me, 'po4-meter');
		await me.press('It says over');
		await me.press('That is what it shows');
		await saved(me, /above 0\.61 mg\/L PO₄/, /“over”/);
		await me.close();
	});

	it('a line, a float with its temperature, a thermometer', async () => {
		const me = await openPage(world, '/', PHONE);
		await begin(me, 'salinity-glass');
		await type(me, 'read', '1.0265');
		await me.sees(/34\.9 ± \d\.\d PSU/);
		await refuses(me, 'read', ['1.2', '1.02634', 'salt', '-1'], '1.0265');
		await me.press('That is where it stands');
		await saved(me, /34\.9 ± \d\.\d PSU/, /1\.026 to 1\.027/);
		await begin(me, 'salinity-float');
		await type(me, 'read', '1.026');
		await me.press('That is where it stands');
		await me.sees('A float needs the temperature');
		await type(me, 'temperature of the water', '23');
		await me.press('That is where it stands');
		await saved(me, /33\.\d ± \d\.\d PSU/, /1\.026 at 23 °C/);
		await begin(me, 'thermometer');
		await type(me, 'read', '25,1');
		await me.press('That is where it stands');
		await saved(me, /25\.1 ± 0\.\d °C/, /25\.1 °C/);
		await me.close();
	});

	it('two titrations in one vial give two results', async () => {
		const me = await openPage(world);
		await begin(me, 'ca-mg-pair');
		await type(me, 'used', '0.83');
		await me.sees(/42\d ± \d+ mg\/L/);
		await me.press('Colour has turned');
		await me.toReading();
		await me.sees('yellow turns green');
		await type(me, 'used', '0.86');
		await me.press('Colour has turned');
		await me.sees('where the first titration ended');
		await saved(me, /Calcium, Magnesium/, /0\.83 mL used, then 0\.86 mL used/);
		const rows = (await me.csv()).slice(1, 3).map((row) => row[4]);
		expect(rows.sort()).toEqual(['Calcium', 'Magnesium']);
		await me.close();
	});

	it('a difference takes calcium off, and a back-titration runs the other way', async () => {
		const me = await openPage(world);
		await begin(me, 'hardness-drops');
		await type(me, 'type the total', '26');
		await me.sees('Calcium is taken off');
		await type(me, 'or another value', '430');
		await refuses(me, 'or another value', ['lots', '-3', '9000'], '430');
		await me.sees(/12[89]0 ± \d+ mg\/L/);
		await me.press('Colour has turned');
		await me.sees('Less calcium by moles');
		await saved(me, /Magnesium/, /26 drops, less 430 mg\/L calcium/);
		await begin(me, 'k-filter');
		await type(me, 'used', '0.74');
		await me.press('Colour has turned');
		await me.sees(/39[0-9]|40[0-9]/);
		await me.press('Save the result');
		await me.sees('Saved. Potassium');
		await me.close();
	});

	it('the same sample tested again is told together, and a correction keeps the old reading', async () => {
		const me = await openPage(world);
		await begin(me, 'gh-drops');
		await type(me, 'type the total', '8');
		await me.press('Colour has turned');
		await me.press('Save the result');
		await me.press('Test the same sample again');
		await me.toReading();
		await type(me, 'type the total', '9');
		await me.press('Colour has turned');
		await me.sees(/Of this sample so far: 7\.5, 8\.5 dGH/);
		await me.sees(/Together 8\.0 ± /);
		await me.press('Save the result');
		await me.sees('Saved.');
		await me.goto('/log?what=hardness');
		await me.press('Why');
		await me.sees('How it was reckoned');
		await me.sees(/Most of it is/);
		await me.sees(/× 1 dGH per drop = 8\.50 dGH/);
		await me.goto('/log?what=hardness');
		await me.press('Correct');
		await me.fill('input[name="least"]', '10');
		await me.fill('input[name="reason"]', 'Counted again.');
		await me.press('Save the correction');
		await me.sees('Corrected: Counted again.');
		await me.sees('9.5 ± ');
		await me.close();
	});

	it('a laboratory’s value typed in, with its own uncertainty, and nonsense refused', async () => {
		const me = await openPage(world);
		await me.goto('/log/result?parameter=phosphate');
		await me.page.select('select[name="unit"]', 'ug-per-l-p');
		await me.press('Save the result');
		await me.sees('must be a number');
		await me.fill('input[name="value"]', '20');
		await me.fill('input[name="expandedU"]', '2');
		await me.press('Save the result');
		await me.sees('Where it comes from is missing');
		await me.fill('input[name="source"]', 'harbour laboratory');
		await me.fill('input[name="value"]', '-5');
		await me.press('Save the result');
		await me.sees('cannot be below zero');
		await me.fill('input[name="value"]', '20');
		await me.press('Save the result');
		await me.sees(/0\.061 ± 0\.006 mg\/L PO₄/);
		await me.sees('20 ± 2 µg/L P, from harbour laboratory');
		await me.close();
	});

	it('ten megabytes pasted into a field are answered in words, and nothing is lost', async () => {
		const me = await openPage(world);
		await begin(me, 'alk-syringe');
		await type(me, 'left', '0.43');
		for (const letter of ['7', 'x', ' ']) {
			await me.page.$eval(
				'input[inputmode="decimal"]',
				(e, c) => {
					e.value = c.repeat(10_000_000);
					e.dispatchEvent(new Event('change', { bubbles: true }));
				},
				letter
			);
			await me.page.waitForSelector('[role=alert]');
		}
		expect(await me.page.$eval('input[inputmode="decimal"]', (e) => e.value)).toBe('0.43');
		await me.sees('7.9 ± 0.5 dKH');
		await me.press('Give this test up');
		await me.close();
	});

	it('un-ionised ammonia is told with its interval, from the pH, temperature and salinity read before', async () => {
		const me = await openPage(world);
		await begin(me, 'nh3-card');
		await me.press('It did not turn');
		await me.sees('on 0 mg/L');
		for (let i = 0; i < 8; i++) await me.page.keyboard.press('ArrowUp');
		await me.press('That is its place');
		await me.sees(/Of it un-ionised, the form that harms: 0\.0\d+ to 0\.\d+ mg\/L NH₃/);
		await me.press('Test again instead');
		await me.press('Give this test up');
		await me.close();
	});
});
