import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DESK, openPage, PHONE, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld({ rate: 10, durable: true });
});
afterAll(() => world.stop());

const LEFT = 'input[inputmode="decimal"]';

/** Goes through all steps of a test up to the titration; the clock runs ten times as fast. */
async function toTitration(me: Person, start: string, half = false): Promise<void> {
	await me.goto('/bench');
	await me.choose(start.includes('calcium') ? 'ca-syringe' : 'alk-syringe');
	if (half) await me.press('Half sample, 1.5 mL');
	await me.press(start);
	await me.press('Done, go on');
	await me.press('Done, go on');
	await addDrops(me);
	if (start.includes('calcium')) {
		// It stands by itself; the next drops wait for it.
		await me.press('Done, go on');
		await addDrops(me);
	}
	// The swirl begins with the last drop and ends by itself.
	await me.sees('Fill the titration syringe');
	await me.press('Done, go on');
	await me.sees('Colour has turned');
}
async function addDrops(me: Person): Promise<void> {
	for (let i = 0; i < 12; i++) {
		const text = await me.text();
		const [, have, want] = /(\d+) of (\d+) drops/.exec(text) ?? [];
		if (have === undefined) return;
		await me.press('Add a drop');
		if (Number(have) + 1 === Number(want)) return;
	}
}
async function typeVolume(me: Person, which: 0 | 1, text: string): Promise<void> {
	const fields = await me.page.$$(LEFT);
	await fields[which]!.click({ clickCount: 3 });
	await me.page.keyboard.type(text);
	await me.page.keyboard.press('Tab');
}

describe('one test by hand, from the first open to the file', () => {
	it('is saved once, and survives the plug being pulled', async () => {
		const me = await openPage(world);
		await me.sees('Monday 23 November');
		await me.press('Go to the bench');
		await toTitration(me, 'Start alkalinity');
		const before = (await me.csv()).length;

		// What the syringe cannot show is refused in words, and what stood stays.
		await typeVolume(me, 0, '0.45');
		for (const nonsense of ['4.2', 'abc', '-0.3', '0.4567', 'NaN', '1e3', '9'.repeat(300)]) {
			await typeVolume(me, 0, nonsense);
			await me.page.waitForSelector('[role=alert]');
			expect(await me.page.$eval(LEFT, (e) => e.value)).toMatch(/^0\.45|0\.4567/);
		}
		await typeVolume(me, 0, '0.45');
		// Nudging: three divisions down by key, one up by the large button.
		await me.page.$eval('main', () => (document.activeElement as HTMLElement).blur());
		for (let i = 0; i < 3; i++) await me.page.keyboard.press('ArrowDown');
		await me.page.click('[aria-label="Plunger up one division"]');
		await me.sees('7.9 ± 0.5 dKH');
		expect(await me.page.$eval('[role=slider]', (e) => e.getAttribute('aria-valuetext'))).toBe(
			'0.43 mL left in the syringe, 0.57 mL used'
		);
		await me.press('Colour has turned');
		await me.sees(/Probably inside 7\.5–9 dKH|Inside 7\.5–9 dKH/);
		await me.sees('1.00 − 0.43 = 0.57 mL');
		await me.sees('judging the end point');
		await me.press('Save the result');
		await me.sees('Saved. Alkalinity 7.9 ± 0.5 dKH');

		await world.killEverything();
		await world.startEverything();

		await me.goto('/today');
		await me.press('Alkalinity');
		await me.sees('Read today: 7.9 ± 0.5 dKH');
		const rows = await me.csv();
		expect(rows).toHaveLength(before + 1);
		expect(rows[1]!.slice(3, 6)).toEqual(['test', 'Alkalinity', 'value']);
		expect(Number(rows[1]![6])).toBeCloseTo(7.8858, 3);
		await me.goto('/trends?span=month');
		await me.press('Alkalinity, ');
		await me.sees('7.9 ± 0.5 dKH');
		expect(me.complaints.filter((c) => !/Failed to fetch|ERR_CONNECTION|ERR_SOCKET/.test(c))).toEqual([]);
		await me.close();
	});

	it('shows both scales, a range, doubt, a refill, half samples, and every unit', async () => {
		const me = await openPage(world, '/', PHONE);
		await toTitration(me, 'Start calcium', true);
		await me.sees('Calcium, 1.5 mL');
		await me.press('Empty: filled again');
		await me.sees('Filling 2; 1.00 mL went in before it.');
		await me.press('Take the last filling back');
		await typeVolume(me, 1, '0.40');
		await me.sees(/4[12]0 ± 40 mg\/L/);
		await me.press('Not sure of the mark');
		await me.press('Between two marks');
		expect(await me.page.$$eval(LEFT, (fields) => fields.map((f) => f.value))).toEqual([
			'0.60–0.61',
			'0.39–0.40'
		]);
		// Swapped ends of a range are the same range.
		await typeVolume(me, 1, '0.42-0.41');
		await me.press('Colour has turned');
		await me.sees('0.41 to 0.42 mL used, not sure, half sample');
		await me.sees('your doubt about the mark');
		await me.press('Test again instead');
		await me.press('Give this test up');
		await me.press('mg/L CaCO₃');
		// The unit is saved and the page brought up to date before the next choice.
		await me.page.waitForNetworkIdle({ timeout: 10_000 }).catch(() => undefined);
		await me.choose('alk-syringe');
		await me.sees(/one mark is 2\.5 mg\/L CaCO₃/);
		await me.press('dKH');
		expect(me.complaints).toEqual([]);
		await me.close();
	});

	it('takes six presses besides the drops and the reading; drops count by a tap anywhere or a pedal', async () => {
		const me = await openPage(world);
		await me.goto('/bench');
		await me.choose('alk-syringe');
		let presses = 0;
		const press = async (words: string) => {
			presses++;
			await me.press(words);
		};
		await press('Start alkalinity');
		await press('Done, go on');
		await press('Done, go on');
		await me.sees('0 of 3 drops');
		await me.page.click('main h1');
		await me.sees('1 of 3 drops');
		await me.page.keyboard.press('PageDown');
		await me.sees('2 of 3 drops');
		await me.page.keyboard.press('Backspace');
		await me.sees('1 of 3 drops');
		await me.page.click('main h1');
		await me.page.keyboard.press('F8');
		// The last drop ends the step, and the swirl begins and ends by itself; one tap too many does nothing.
		await me.page.keyboard.press('F8');
		await me.sees('Fill the titration syringe');
		await press('Done, go on');
		await typeVolume(me, 0, '0.46');
		await press('Colour has turned');
		await press('Save the result');
		await me.sees('Saved.');
		expect(presses).toBe(6);
		// By heart: nothing but the reading.
		await me.goto('/bench');
		await me.choose('alk-syringe');
		await me.press('Start alkalinity');
		await me.press('Straight to the reading');
		await typeVolume(me, 0, '0.46');
		await me.press('Colour has turned');
		expect(await me.text()).not.toMatch(/had \d+ of|took \d+/);
		await me.press('Save the result');
		await me.sees('Saved.');
		expect(me.complaints).toEqual([]);
		await me.close();
	});

	it('goes on after a reload, at the same place with the same numbers', async () => {
		const me = await openPage(world, '/', DESK);
		await me.goto('/bench');
		await me.choose('alk-syringe');
		await me.press('Start alkalinity');
		await me.press('Done, go on');
		await me.press('Done, go on');
		await me.press('Add a drop');
		await me.page.keyboard.press('Space');
		await me.sees('2 of 3 drops');
		await me.page.reload();
		await me.sees('2 of 3 drops');
		await me.goto('/log');
		await me.press('Unfinished test');
		await me.sees('2 of 3 drops');
		await me.page.keyboard.press('Backspace');
		await me.sees('1 of 3 drops');
		await me.press('Go on as it is');
		await me.sees('Swirl for 10 seconds');
		// The timer stands in the bar on every view.
		await me.press('Trends');
		await me.sees(/Alkalinity (0:\d\d|time is over)/);
		await me.press('Bench');
		await me.sees('Fill the titration syringe');
		await me.press('Done, go on');
		await typeVolume(me, 0, '0,43');
		await me.page.reload();
		await me.sees('7.9 ± 0.5');
		await me.press('Colour has turned');
		await me.sees('had 1 of 3 drops');
		await me.press('Test again instead');
		await me.press('Give this test up');
		await me.close();
	});

	it('asks about a likely slip in one sentence, and takes no for an answer', async () => {
		const me = await openPage(world);
		await toTitration(me, 'Start calcium');
		await typeVolume(me, 1, '0.22');
		await me.press('Colour has turned');
		await me.sees(
			/Did you enter what was left as what was used\? Then calcium would be 4[12]\d ± \d+ mg\/L\./
		);
		await me.press('No, as entered');
		await me.sees('Surprising');
		await me.press('Back to the reading');
		await me.press('Colour has turned');
		await me.press('That is it');
		await me.sees('As expected');
		await me.sees('read 0.22 mL left');
		await me.press('Back to the reading');
		await typeVolume(me, 1, '0.08');
		await me.press('Colour has turned');
		await me.sees('Is the decimal point in its place?');
		await me.press('Test again');
		await me.press('Give this test up');
		await me.close();
	});

	it('keeps the reading while the server is away, and saves it once when it is back', async () => {
		const me = await openPage(world);
		await toTitration(me, 'Start calcium');
		const before = (await me.csv()).length;
		await typeVolume(me, 1, '0.80');
		await me.press('Colour has turned');
		await world.killServer();
		await me.press('Save the result');
		await me.sees('Kept on this device. Calcium');
		await me.sees('1 not on the server yet');
		await world.startServer();
		await me.sees('Saved. Calcium');
		expect(await me.csv()).toHaveLength(before + 1);
		await me.close();
	});

	it('sets the plunger by dragging, finely and coarsely, tip down and tip up', async () => {
		const me = await openPage(world);
		await toTitration(me, 'Start calcium');
		const words = () => me.page.$eval('[role=slider]', (e) => e.getAttribute('aria-valuetext') ?? '');
		const leftOf = async () => Number(/^([\d.]+) mL left/.exec(await words())?.[1]);
		const drag = async (dy: number) => {
			const box = (await (await me.page.waitForSelector('[role=slider] circle'))!.boundingBox())!;
			const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
			await me.page.mouse.move(x, y);
			await me.page.mouse.down();
			await me.page.mouse.move(x, y + dy / 2, { steps: 4 });
			await me.page.mouse.move(x, y + dy, { steps: 4 });
			await me.page.mouse.up();
		};
		expect(await words()).toBe('not set yet');
		// The small syringe: half-way down is about half left.
		const small = (await (await me.page.waitForSelector('g.overview'))!.boundingBox())!;
		await me.page.mouse.click(small.x + small.width / 2, small.y + small.height / 2);
		const half = await leftOf();
		expect(Math.abs(half - 0.5)).toBeLessThan(0.06);
		// The large one: down by 45 units of the drawing is three divisions less.
		await drag(45);
		const lower = await leftOf();
		expect(half - lower).toBeGreaterThanOrEqual(0.019);
		expect(half - lower).toBeLessThanOrEqual(0.041);
		await me.press('Tip up');
		await drag(45);
		expect(await leftOf()).toBeGreaterThan(lower);
		// It never leaves the syringe.
		for (let i = 0; i < 12; i++) await drag(300);
		expect(await leftOf()).toBe(1);
		await me.page.keyboard.press('Home');
		expect(await words()).toBe('0.00 mL left in the syringe, 1.00 mL used');
		await me.press('Give this test up');
		await me.sees('What do you test?');
		expect(me.complaints).toEqual([]);
		await me.close();
	});
});
