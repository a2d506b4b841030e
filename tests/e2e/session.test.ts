import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sleep } from './patience.ts';
import { layOutTests, throughSession } from './session-hand.ts';
import { DESK, openPage, PHONE, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	// Half a minute a second: an hour's session takes two minutes.
	world = await startWorld({ rate: 30, durable: true });
});
afterAll(() => world.stop());

const FIVE = [
	['Alkalinity', 'alk-syringe'],
	['Calcium', 'ca-syringe'],
	['Magnesium', 'mg-syringe'],
	['Nitrate', 'no3-ladder'],
	['Potassium', 'k-filter']
] as const;
const COLOURS = [
	['Ammonia', 'nh3-card'],
	['Nitrite', 'no2-card'],
	['Nitrate', 'no3-card'],
	['Phosphate', 'po4-meter']
] as const;

/** Failed requests are what a server that is away looks like. */
const complaintsOf = (me: Person) =>
	me.complaints.filter((c) => !/Failed to fetch|ERR_CONNECTION|ERR_SOCKET|ERR_EMPTY|ERR_FAILED|50\d/.test(c));
const results = async (me: Person) => (await me.csv()).filter((row) => row[3] === 'test').length;

async function shellIsKept(me: Person): Promise<void> {
	await me.page.waitForFunction(async () => {
		const registration = await navigator.serviceWorker.ready;
		return registration.active?.state === 'activated' && (await caches.keys()).length > 0;
	});
}

describe('one test', () => {
	it('is laid out in eighty words at the most, with its reagents and its cautions', async () => {
		const me = await openPage(world, '/', DESK);
		await layOutTests(me, [['Alkalinity', 'alk-syringe']]);
		await me.sees('reagents A and B');
		await me.sees('Acid: burns eyes and skin.');
		const text = await me.page.evaluate(() => {
			for (const e of document.querySelectorAll<HTMLElement>('main select, main .visually-hidden'))
				e.style.display = 'none';
			return document.querySelector('main')?.innerText ?? '';
		});
		const words = text.split(/\s+/).filter((w) => w !== '');
		expect(words.length, text).toBeLessThanOrEqual(80);
		await me.press('Choose other tests');
		await me.sees('What do you test?');
		await me.close();
	});
});

describe('a session of five tests', () => {
	it('is laid out, interrupted, reloaded without a server, and finished', async () => {
		const me = await openPage(world, '/', DESK);
		const before = await results(me);
		await layOutTests(me, FIVE);
		await shellIsKept(me);
		// Laid out it takes half as long as one test after the other, and says what it takes.
		await me.sees(/2[4-7] min in all, 2\d min with your hands; one test after the other it would be 5\d min/);
		await me.sees('The marked vial reacts'.toLowerCase());
		await me.sees('Solid: your hands are busy.');
		await me.press('Change the order');
		await me.press('Do this test first');
		await me.sees('Forget all that was kept');
		await me.press('Forget all that was kept');
		await me.sees(/2[4-7] min in all/);
		await sleep(1800);
		await me.press('Begin');

		// The phone rings: everything stays where it is.
		let looks = 0;
		await throughSession(me, { until: () => Promise.resolve(++looks > 8) });
		await me.press('Pause everything');
		await me.sees('Everything stays where it is');
		await me.sees(/You were at \w+, step \d+ of \d+/);
		await me.press('Go on');
		await me.sees(/min left|Laying out anew/);

		// Some results are kept, then the server goes.
		await throughSession(me, { untilKept: 1 });
		await world.killServer();
		await throughSession(me, { untilKept: 1 });
		await me.sees(/\d not on the server yet/);

		// The browser is closed and opened again while the server is away.
		await me.page.reload({ waitUntil: 'load' });
		await me.sees('The server is away. The bench works all the same');
		await me.sees(/min left|Laying out anew|Done, go on|Colour has turned|Save the result/);
		await throughSession(me, { untilKept: 1 });
		await world.startServer();
		await me.sees('The server is back.');
		await me.press('Go on there');
		await me.sees('Trends');
		await throughSession(me);

		await me.sees('The session is done');
		await me.sees('Clean up');
		await me.sees('Next tests');
		await me.page.waitForFunction(() => !document.body.innerText.includes('not on the server yet'));
		expect(await results(me)).toBe(before + 5);
		await me.press('The session in words');
		await me.sees(/Tested on Monday 23 November/);
		await sleep(800);
		await me.press('Done, clear the bench');
		await me.sees('What do you test?');
		expect(complaintsOf(me)).toEqual([]);
		await me.close();
	});

	it('says what was missed, by how much, and what that does to the result', async () => {
		const me = await openPage(world, '/', PHONE);
		await layOutTests(me, [
			['Nitrate', 'no3-card'],
			['pH', 'ph-card']
		]);
		await me.press('Begin');
		// Until the exact wait of the nitrate runs.
		await throughSession(me, {
			until: () =>
				me.page.$eval('main h1', (h) => (h.textContent ?? '').startsWith('Wait exactly')).catch(() => false)
		});
		// Six minutes are twelve seconds here; the person comes back four minutes late.
		await sleep(21_000);
		await me.sees(/is over, \d+:\d\d min late\. The result/);
		await throughSession(me);
		await me.sees('The session is done');
		await me.sees(/“Wait exactly 6 minutes” took \d+ s instead of 360 s\./);
		await sleep(800);
		await me.press('Done, clear the bench');
		expect(complaintsOf(me)).toEqual([]);
		await me.close();
	});
});

describe('a session of four colour tests', () => {
	it('runs without the server from start to finish, paused, late and reloaded, and is sent once when it is back', async () => {
		const me = await openPage(world, '/', PHONE);
		const before = await results(me);
		await layOutTests(me, COLOURS);
		await shellIsKept(me);
		await me.sees(/1[2-5] min in all/);
		await world.killServer();
		await me.press('Begin');
		// Until the six minutes of the nitrate run; then the phone rings, and the person comes back far too late.
		await throughSession(me, { until: async () => /Nitrate [45]:\d\d/.test(await me.text()) });
		await me.press('Pause everything');
		await me.sees('Everything stays where it is');
		await me.press('Go on');
		// The browser is closed for eight minutes.
		await me.page.goto('about:blank');
		await sleep(16_000);
		await me.page.goto(`${me.base}/bench`, { waitUntil: 'load' });
		await me.sees('The server is away. The bench works all the same');
		await me.sees('What was missed');
		await me.sees(/“Wait exactly 6 minutes” is over, \d+:\d\d min late\./);
		await sleep(6000);
		expect(await me.text()).not.toContain('The server is back.');
		await throughSession(me);
		await me.sees('The session is done');
		await me.sees('not on the server yet');
		await me.sees(/“Wait exactly 6 minutes” took \d+ s instead of 360 s\./);
		await world.startServer();
		await me.page.waitForFunction(() => !document.body.innerText.includes('not on the server yet'), {
			timeout: 30_000
		});
		expect(await results(me)).toBe(before + 4);
		await sleep(800);
		await me.press('Done, clear the bench');
		await me.sees('What do you test?');
		await me.page.reload();
		expect(await results(me)).toBe(before + 4);
		expect(complaintsOf(me)).toEqual([]);
		await me.close();
	});
	it('is gone on with on another device, planned for tomorrow, or dropped', async () => {
		const me = await openPage(world, '/', DESK);
		await layOutTests(me, [
			['Nitrate', 'no3-card'],
			['pH', 'ph-card']
		]);
		await me.press('Begin');
		await throughSession(me, { untilKept: 1 });
		await sleep(1500);
		await me.page.waitForFunction(() => !document.body.innerText.includes('not on the server yet'));
		await me.close();

		const other = await openPage(world, '/', PHONE);
		await other.goto('/bench');
		await other.sees(/Left unfinished, .* one test of Lobby reef still open/);
		await other.press('Go on with it');
		await throughSession(other);
		await sleep(800);
		await other.press('Done, clear the bench');
		await other.sees('What do you test?');
		await other.page.reload();
		// The one of the demo world that was left an hour ago still waits.
		await other.sees(/Left unfinished, .*2 tests of Lobby reef still open/);
		await other.page.waitForFunction(
			() => !document.body.innerText.includes('one test of Lobby reef still open'),
			{ timeout: 25_000 }
		);

		// What there is no time for is planned for tomorrow, and can be dropped again.
		await other.page.select('main select', 'algae');
		await other.sees('Nitrate');
		await other.page.$$eval('main input[type=checkbox]:checked', (boxes) =>
			(boxes[0] as HTMLInputElement).click()
		);
		await other.press('The rest tomorrow');
		// In the light, at a time that is said.
		await other.sees(/Planned for Tue 24 Nov at \d\d:\d\d, with the light on: (nitrate|phosphate)\./);
		await sleep(500);
		await other.page.reload();
		await other.sees(/Planned for Tue 24 Nov, \d\d:\d\d: one test of Lobby reef\./);
		await other.press('Drop it');
		await other.page.waitForFunction(() => !document.body.innerText.includes('Planned for Tue'));
		expect(complaintsOf(other)).toEqual([]);
		await other.close();
	});
});
