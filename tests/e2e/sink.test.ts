import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { faultsOn } from './axe.ts';
import { sleep } from './patience.ts';
import { throughSession } from './session-hand.ts';
import { DESK, openPage, PHONE, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld({ rate: 30 });
});
afterAll(() => world.stop());

const fits = { found: [], overflows: false };

/** What the whole of a test costs a person: things pressed, words that stand on the screens, and how many of these. */
class Walk {
	presses = 0;
	/** Of each page. */
	readonly words: number[] = [];
	pages = 0;
	constructor(private readonly me: Person) {}

	async look(): Promise<void> {
		this.pages++;
		const words = await this.me.page.evaluate(() => {
			const main = document.querySelector('main');
			return (main?.innerText ?? '').split(/\s+/).filter((w) => w !== '').length;
		});
		this.words.push(words);
	}
	async press(words: string): Promise<void> {
		this.presses++;
		await this.me.press(words);
	}
}

describe('from choosing to cleaning up', () => {
	it('one alkalinity by syringe takes so many presses, words and pages', async () => {
		const me = await openPage(world, '/', PHONE);
		const walk = new Walk(me);
		await me.goto('/bench?tests=alk-syringe');
		await me.sees('Lay out this test');
		await walk.press('Lay out this test');
		await me.sees(/min in all/);
		await walk.look();
		await walk.press('Begin');
		for (const done of ['Rinse the vial', 'Draw ']) {
			await me.sees(done);
			await walk.look();
			await walk.press('Done, go on');
		}
		await me.sees('0 of 3 drops');
		await walk.look();
		// Drops are no presses: whatever is touched counts.
		for (let i = 0; i < 3; i++) await me.page.keyboard.press('F8');
		await me.sees('Fill the titration syringe');
		await walk.look();
		await walk.press('Done, go on');
		await me.sees('Colour has turned');
		await walk.look();
		const fields = await me.page.$$('input[inputmode="decimal"]');
		await fields[0]!.click({ clickCount: 3 });
		await me.page.keyboard.type('0.46');
		await me.page.keyboard.press('Tab');
		await walk.press('Colour has turned');
		await me.sees('Save the result');
		await walk.look();
		await walk.press('Save the result');
		await me.sees('The session is done');
		await walk.look();
		// Every line of the clean-up has its tick, kept over a reload.
		await me.press('Alkalinity: close A and B.');
		await me.page.waitForSelector('main ul[aria-label="Clean up"]:not([aria-busy])');
		await me.page.reload();
		await me.sees('The session is done');
		await me.page.waitForFunction(
			() => document.querySelectorAll('main ul[aria-label="Clean up"] input:checked').length === 1
		);
		await walk.press('Keep a bottle for the laboratory');
		await me.sees('Today reminds of it until it is sent');
		expect(await faultsOn(me)).toEqual(fits);
		await walk.press('Done, clear the bench');
		const words = walk.words.reduce((sum, n) => sum + n, 0);
		console.log(
			`the walk: ${walk.presses} presses, ${words} words (${walk.words.join(' ')}), ${walk.pages} pages`
		);
		// It took 19 presses to the result alone, and 223 words to lay out: about 1,290 in all.
		expect(walk.presses).toBeLessThanOrEqual(9);
		expect(walk.pages).toBeLessThanOrEqual(8);
		expect(words).toBeLessThanOrEqual(1000);
		await me.goto('/today');
		await me.sees(/A bottle of .* waits for the laboratory/);
		expect(me.complaints).toEqual([]);
		await me.close();
	});

	it('several are rinsed and drawn once, and no test asks for it again', async () => {
		const me = await openPage(world, '/', DESK);
		await me.goto('/bench?tests=alk-syringe,ca-syringe');
		await me.press('Lay out these 2 tests');
		await me.sees('Rinse and draw');
		await me.sees('Alkalinity 6 mL, Calcium 3 mL');
		await me.sees('no test asks for it again');
		await sleep(1500);
		await me.press('Begin');
		await me.sees(/step 3 of \d/);
		await throughSession(me, { untilKept: 1 });
		await me.press('Clean up meanwhile');
		await me.sees('rinse its vial and cap with purified water');
		await throughSession(me);
		await me.sees('The session is done');
		await me.press('Done, clear the bench');
		await me.close();
	});
});

describe('a set of tests', () => {
	it('is put together, named, ordered, and laid out with one press', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/sets');
		await me.fill('input[name=name]', 'My two');
		const add = async (code: string, n: number) => {
			const label = n === 1 ? 'Its first test' : 'One test more';
			await me.page.evaluate(
				(words, value) => {
					const select = [...document.querySelectorAll('label')].find(
						(l) => l.innerText.trim() === words
					)?.htmlFor;
					const field = document.getElementById(select ?? '') as HTMLSelectElement;
					field.value = value;
					field.dispatchEvent(new Event('change', { bubbles: true }));
				},
				label,
				code
			);
			await me.page.waitForFunction(
				(k) => document.querySelectorAll('main form ol > li').length === k,
				{},
				n
			);
		};
		await add('mg-syringe', 1);
		await add('alk-syringe', 2);
		await me.page.click('[aria-label="Test 2 up"]');
		await me.press('Keep to this order at the bench');
		expect(await faultsOn(me)).toEqual(fits);
		await me.press('Keep this set');
		await me.sees('no fixed day, in your order');
		await me.sees('Alkalinity, Magnesium');
		await me.goto('/bench');
		await me.press('My two');
		await me.sees('Lay out 2 tests');
		await me.sees('Forget all that was kept');
		await me.press('Not now');
		// Nonsense is refused in words, and nothing typed is lost.
		await me.goto('/sets');
		await me.page.waitForSelector('main form button[type=submit][disabled]');
		await me.close();
	});
});

describe('a water change', () => {
	it('takes the tested batch as its new water, and stands between before and after', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/log/new?kind=water-change&litres=54');
		await me.sees('What its barrel was tested for is filled in below.');
		expect(
			await me.page.$eval('[name="details.newWater.alkalinity"]', (e) => (e as HTMLInputElement).value)
		).toMatch(/^\d+(\.\d+)?$/);
		await me.press('Save the entry');
		await me.sees('Before and After: water change'.replace('After', 'after'));
		await me.sees('Test the same after it');
		await me.sees('Expected');
		expect(await faultsOn(me)).toEqual(fits);
		await me.press('Test the same after it');
		await me.sees('What do you test?');
		await me.close();
	});
});

describe('a voice note', () => {
	it('is said beside a reading, listened to, and taken back', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/log?what=readings');
		const reading = await me.page.$eval('main', (e) => /\/log\/([0-9a-f-]{36})/.exec(e.innerHTML)?.[1]);
		// A tone stands in for a voice: what is recorded, made plain and sent is real.
		await me.page.evaluateOnNewDocument(() => {
			navigator.mediaDevices.getUserMedia = () => {
				const context = new AudioContext();
				const tone = context.createOscillator();
				const out = context.createMediaStreamDestination();
				tone.connect(out);
				tone.start();
				return Promise.resolve(out.stream);
			};
		});
		await me.goto(`/log/${reading ?? ''}`);
		await me.press('Say a note');
		await me.sees('Stop, keep the note (1 s)');
		await me.press('Stop, keep the note');
		await me.press('Listen to voice note 1');
		const heard = await me.page.waitForFunction(() => {
			const audio = document.querySelector('audio');
			return audio && audio.duration > 0.5 ? audio.duration : false;
		});
		expect(await heard.jsonValue()).toBeLessThan(10);
		expect(await faultsOn(me)).toEqual(fits);
		await me.goto('/log?what=readings');
		await me.sees('A voice note');
		await me.goto(`/log/${reading ?? ''}`);
		await me.press('Take back voice note 1');
		await me.press('Take it back');
		await me.page.waitForFunction(() => !document.body.innerText.includes('Listen to voice note'));
		expect(me.complaints).toEqual([]);
		await me.close();
	});
});

describe('what is no tank of the house', () => {
	it('is a stranger’s bottle: tested, handed over, and none of the waters', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/guests');
		await me.fill('input[name=name]', 'Ines of the corner house');
		expect(await faultsOn(me)).toEqual(fits);
		await me.press('Take it to the bench');
		await me.sees('A stranger’s bottle. Kept until');
		await me.sees('What do you test?');
		await me.press('Sheet to hand over');
		await me.sees('A sheet for a visitor');
		await me.goto('/today');
		expect(
			await me.page.$$eval('header a', (all) => all.map((a) => a.textContent?.trim() ?? ''))
		).not.toContain('Ines of the corner house');
		await me.goto('/guests');
		await me.press('Make it a water here');
		await me.sees('Ines of the corner house');
		await me.close();
	});
	it('is purified water, whose resin is done where the meter says so', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/purified');
		await me.sees('pure enough for mixing');
		await me.fill('[name="after-resin"]', 'lots');
		await me.press('Keep it');
		await me.page.waitForSelector('[aria-invalid=true]');
		await me.fill('[name="after-resin"]', '3');
		await me.page.select('[name=unit]', 'ppm');
		expect(await faultsOn(me)).toEqual(fits);
		await me.press('Keep it');
		await me.sees('6 µS/cm, 3 ppm');
		await me.sees('it brings something along. Change the resin');
		// And wherever it is used.
		await me.goto('/adjust/batches');
		await me.sees('Change the resin');
		await me.close();
	});
	it('is a bottle of the sea, beside the seas it may come from', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/sea');
		await me.sees('beside the seas');
		await me.sees('Pacific, 1000 m');
		expect(await faultsOn(me)).toEqual(fits);
		await me.goto('/shelf/kinds');
		await me.sees(/about \d+ tests a year/);
		expect(await faultsOn(me)).toEqual(fits);
		expect(me.complaints).toEqual([]);
		await me.close();
	});
});
