import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { faultsOn } from './axe.ts';
import { sleep } from './patience.ts';
import { DESK, openPage, PHONE, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

const fits = { found: [], overflows: false };
/** Moves the plunger of the syringe in hand: by tens of divisions, and by single ones. */
async function plunger({ page }: Person, tens: number, ones = 0): Promise<void> {
	await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
	await page.keyboard.down('Shift');
	for (let i = 0; i < tens; i++) await page.keyboard.press('ArrowDown');
	await page.keyboard.up('Shift');
	for (let i = 0; i < ones; i++) await page.keyboard.press('ArrowDown');
}
/** To the reading of an alkalinity, and to what may be said before it. */
async function toSayFirst(me: Person): Promise<void> {
	await me.goto('/bench');
	await me.choose('alk-syringe');
	await me.press('Start ');
	await me.toReading(true);
	await me.press('Say first, or read blind');
}
/** How often an answer was kept by the server. */
const kept = async (me: Person) =>
	me.page.evaluate(
		async (url) => (await (await fetch(url)).text()).match(/(\d+) answers?/)?.[1] ?? '0',
		me.page.url()
	);

describe('end points', () => {
	it('are stopped by keys; where the change was is told after it, and what was answered is kept at once', async () => {
		const me = await openPage(world, '/', DESK);
		await me.goto('/practice');
		await me.sees('You, as a reader');
		await me.press('Practise it');
		await me.sees('Nothing tells you when');
		await me.page.click('h1');
		const before = Number(await kept(me));
		for (let vial = 0; vial < 2; vial++) {
			for (let drop = 0; drop < 9; drop++) {
				await me.page.keyboard.press('Space');
				await sleep(60);
			}
			await me.page.keyboard.press('Enter');
			await me.sees(/You stopped/);
			await me.page.keyboard.press('Enter');
			await me.sees('Add a drop');
		}
		await me.page.waitForFunction(
			async (url, more) =>
				Number((await (await fetch(url)).text()).match(/(\d+) answers?/)?.[1] ?? 0) >= more,
			{ timeout: 15_000 },
			me.page.url(),
			before + 2
		);
		expect(me.complaints).toEqual([]);
		await me.close();
	});
	it('with the curve are lessons: they measure nobody', async () => {
		const me = await openPage(world, '/', DESK);
		await me.goto('/practice/end-point?kit=k-quick&mode=slow');
		await me.sees('the change');
		await me.page.click('h1');
		for (let drop = 0; drop < 4; drop++) await me.page.keyboard.press('Space');
		await me.page.keyboard.press('Enter');
		await me.sees('it does not count as a measurement of you');
		await me.goto('/practice/end-point?kit=k-quick');
		await me.sees('Nothing is known of it yet');
		await me.close();
	});
	it('a press is a drop, held it streams, and two seconds can be taken back', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/practice/end-point?kit=ca-syringe');
		const drops = () =>
			me.page.evaluate(() =>
				Number(
					[...document.querySelectorAll('p')]
						.find((p) => /\bdrops$/.test(p.innerText.trim()))!
						.innerText.match(/\d+/)![0]
				)
			);
		const button = (await me.page.waitForSelector('::-p-text(Add a drop)'))!;
		await button.scrollIntoView();
		const from = await drops();
		await button.tap();
		await sleep(200);
		expect(await drops()).toBe(from + 1);
		const box = (await button.boundingBox())!;
		await me.page.mouse.move(box.x + 20, box.y + 20);
		await me.page.mouse.down();
		await sleep(1300);
		await me.page.mouse.up();
		const streamed = await drops();
		expect(streamed).toBeGreaterThan(from + 4);
		await me.press('Take the last two seconds back');
		await sleep(150);
		expect(await drops()).toBeLessThan(streamed);
		expect(await faultsOn(me)).toEqual(fits);
		await me.close();
	});
	it('take the main thread under eight milliseconds a frame, the processor four times slower', async () => {
		const me = await openPage(world, '/', PHONE);
		// What each frame's work takes, of whoever asked for the frame.
		await me.page.evaluateOnNewDocument(() => {
			const took: number[] = [];
			Object.assign(window, { took });
			const ask = window.requestAnimationFrame.bind(window);
			window.requestAnimationFrame = (work) =>
				ask((at) => {
					const from = performance.now();
					work(at);
					took.push(performance.now() - from);
				});
		});
		await me.goto('/practice/end-point?kit=alk-syringe');
		await me.sees('Add a drop');
		const client = await me.page.createCDPSession();
		await client.send('Emulation.setCPUThrottlingRate', { rate: 4 });
		await me.page.click('h1');
		const took = await me.page.evaluate(async () => {
			const all = (window as unknown as { took: number[] }).took;
			all.length = 0;
			for (let drop = 0; drop < 5; drop++) {
				window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ' }));
				window.dispatchEvent(new KeyboardEvent('keyup', { key: ' ' }));
				await new Promise((done) => setTimeout(done, 600));
			}
			return all.sort((a, b) => a - b);
		});
		const at = (share: number) => took[Math.floor(share * (took.length - 1))]!;
		console.log(
			`practice: ${at(0.5).toFixed(2)} ms of the main thread a frame, ${at(0.9).toFixed(2)} in the slowest tenth, ${took.length} frames`
		);
		expect(took.length).toBeGreaterThan(30);
		expect(at(0.5)).toBeLessThan(8);
		await me.close();
	});
});

describe('what was found of an eye', () => {
	it('shows each result that would move, is used, told at the bench and in the arithmetic, and taken back', async () => {
		const me = await openPage(world, '/', DESK);
		await me.goto('/practice');
		await me.sees('tip drops late');
		await me.press('Use it from now on');
		await me.sees('Nothing has moved yet');
		await me.press('For all that I ever read');
		await me.sees(/results move/);
		expect(await faultsOn(me)).toEqual(fits);
		await me.press('Use it');
		await me.sees('Used');
		await me.goto('/log?what=alkalinity');
		const link = (await me.page.waitForSelector('main a[href*="/log/0"]'))!;
		await link.click();
		await me.sees('How it was reckoned');
		await me.sees('how far from the change you stop on average');
		await me.goto('/practice');
		await me.press('Use it no more');
		await me.sees('No longer use what was found');
		await me.press('Use it no more');
		await me.sees('Use it from now on');
		expect(me.complaints).toEqual([]);
		await me.close();
	});
});

describe('scales, steps, counting', () => {
	it('a scale is read, nonsense is answered with what to type, and the truth is told', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/practice/scale?scale=syringe');
		await me.fill('main input', 'half full');
		await me.press('That is it');
		await me.sees('Type it as a number');
		await me.fill('main input', '0.5');
		await me.press('That is it');
		await me.sees('It stands at');
		expect(await faultsOn(me)).toEqual(fits);
		await me.press('Next');
		await me.sees('That is it');
		await me.close();
	});
	it('a row of steps is asked until enough is known, by keys', async () => {
		const me = await openPage(world, '/', DESK);
		await me.goto('/practice/steps?kit=no2-card');
		await me.sees('Which of the two is the vial?');
		await me.page.click('h1');
		for (let i = 0; i < 3; i++) {
			await me.page.keyboard.press('ArrowLeft');
			await me.sees(/it was/);
		}
		await me.sees(/question 4 of at most 40/);
		await me.close();
	});
	it('every other exercise begins, and says what it is not', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/practice/scoop');
		await me.press('Heaped');
		await me.sees(/it was (short of level|level|heaped)/);
		await me.goto('/practice/time');
		await me.press('It begins now');
		await me.press('It is over now');
		await me.sees('too short');
		await me.goto('/practice/colours');
		await me.sees('no diagnosis');
		await me.goto('/practice/nowhere');
		await me.sees('There is no such exercise');
		await me.close();
	});
});

describe('lessons', () => {
	it('a dry run goes through the bench’s own guidance and leaves the bench as it was', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/practice/dry?kit=alk-syringe');
		await me.sees('nothing is recorded');
		await me.press('Done, go on');
		await me.press('Done, go on');
		await me.sees('of 3 drops');
		for (let i = 1; i <= 3; i++) {
			await me.sees(`${i - 1} of 3 drops`);
			// What follows sooner is the same press once more.
			await sleep(500);
			await me.page.keyboard.press('F8');
		}
		await me.press('Go on as it is');
		await me.sees('Fill the titration syringe');
		await me.press('Drawn: let it catch up');
		await me.sees('Set the edge on the mark now');
		await me.press('Done, go on');
		await me.sees('Colour has turned');
		await me.goto('/bench');
		await me.sees('Left unfinished');
		await me.close();
	});
	it('two readers answer one vial, each unseen of the other; a mentor sets a lesson and leaves a note at a step', async () => {
		const me = await openPage(world, '/', DESK);
		await me.goto('/practice/mentor');
		await me.sees('Whoever learns answers first');
		// An end point: where the first stopped is not told before the second has.
		for (const turn of ['Whoever learns', 'Now the mentor']) {
			await me.sees(turn);
			await me.press('I have it in hand');
			await me.sees('drops');
			for (let i = 0; i < 4; i++) await me.page.keyboard.press('Space');
			expect(await me.text()).not.toMatch(/drops (early|late)/);
			await me.press('Colour has turned');
		}
		await me.sees(/Who learns .*(early|late|turned it) The mentor .*(early|late|turned it) Apart/);
		await me.page.select('section[aria-labelledby="two-title"] select', 'steps/no3-card');
		await me.press('between');
		await me.sees('Now the mentor');
		await me.press('between');
		await me.sees('It was');
		await me.sees('Helper');
		await me.press('Set it');
		await me.sees(/0 of 8, set/);
		await me.page.$eval('form[action="?/note"] input[name=note]', (field) => {
			field.value = 'Look from above.';
			field.dispatchEvent(new Event('input', { bubbles: true }));
		});
		await me.press('Leave it there');
		await me.sees('Look from above.');
		expect(await faultsOn(me)).toEqual(fits);
		await me.close();
	});
	it('who says first what they expect, and reads blind, sees no value before it is read', async () => {
		const me = await openPage(world, '/', PHONE);
		await toSayFirst(me);
		const [expected, give] = await me.page.$$('details[open] input[inputmode="decimal"]');
		await expected!.type('8.1');
		await give!.type('x');
		await me.press('Say it');
		await me.sees('Both as numbers');
		await give!.click({ count: 3 });
		await give!.type('0.4');
		await me.press('Say it');
		await me.sees('You expect 8.1, give or take 0.4');
		await me.press('Hide the value until it is read');
		await me.sees('Hidden until it is read');

		// Called, it is watched once more; what is added after that stands with the reading.
		await plunger(me, 6);
		await me.press('Colour has turned');
		await me.sees('Does the colour still change?');
		await me.press('It still changes: go on');
		await plunger(me, 0, 2);
		await me.press('Colour has turned');
		await me.sees(/watched again: 0\.02 mL more/);
		await me.close();
	});
	it('who went back from a result reads no longer blind', async () => {
		const me = await openPage(world, '/', PHONE);
		await toSayFirst(me);
		await me.press('Hide the value until it is read');
		await plunger(me, 6);
		await me.press('Colour has turned');
		await me.press('It stood');
		await me.press('Back to the reading');
		await me.sees('Colour has turned');
		expect(await me.text()).not.toContain('Say first, or read blind');
		expect(await me.text()).not.toContain('Hidden until it is read');
		await me.close();
	});
});
