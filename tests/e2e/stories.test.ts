import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sleep } from './patience.ts';
import { DESK, openPage, PHONE, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

/** Opens a view of one of the demo's waters, by its name. */
async function at(water: string, view: string): Promise<Person> {
	const me = await openPage(world);
	const href = await me.page.evaluate(
		(name) =>
			[...document.querySelectorAll<HTMLAnchorElement>('header details li a')].find(
				(a) => a.innerText.trim() === name || a.textContent.trim() === name
			)?.pathname ?? location.pathname,
		water
	);
	await me.page.goto(`${world.origin}${href.replace(/\/[a-z]+$/, '')}${view}`);
	await me.page.evaluate(() => document.querySelectorAll('details').forEach((d) => (d.open = true)));
	return me;
}

/** A story is told where somebody would look for it, in words. */
const STORIES: readonly (readonly [story: string, water: string, view: string, words: readonly RegExp[]])[] =
	[
		[
			'the demand for alkalinity has crept up over five weeks',
			'Lobby reef',
			'/today',
			[/Alkalinity use has risen from 0\.6\d? ± .* to 0\.7\d? ± .* dKH a day over five weeks/]
		],
		[
			'a dosing pump failed for four days two months ago',
			'Lobby reef',
			'/log?what=events',
			[/Daily dose missed.*for 4 days/, /The pump for part one stands still/]
		],
		[
			'salinities in a row lie on the high side',
			'Lobby reef',
			'/today',
			[/Salinity has read on the high side several times in a row\. [45] readings in a row/]
		],
		[
			'one week calcium read low because salinity was',
			'Lobby reef',
			'/findings',
			[/Calcium reads low because salinity is/, /do not dose calcium/]
		],
		[
			'two slips that nobody has corrected: a decimal point and a unit',
			'Lobby reef',
			'/today',
			[
				/Perhaps a point in the wrong place: it would then be 42\d/,
				/Perhaps another unit: it would then be [78]\.\d/
			]
		],
		[
			'the display and the syringe disagreed over twelve pairs; a standard told which, and it was retired and derived again',
			'Lobby reef',
			'/compare?parameter=alkalinity',
			[
				/12 pairs/,
				/Some of these results were corrected by a check of the kit\. Before that: They differ: Alkalinity by display reads 0\.\d+ dKH higher/,
				/That is more than both can explain/,
				/Alkalinity by display is likelier off/,
				/It is retired/
			]
		],
		[
			'potassium runs low in the tray',
			'Cuttings tray',
			'/today',
			[/Potassium: far outside, low\./, /It is getting worse/]
		],
		[
			'the phosphate medium hides that nitrate ran out: zero twice',
			'Cuttings tray',
			'/findings',
			[/No nitrate, while a phosphate medium runs Nitrate was not found 2 times in a row/]
		],
		[
			'the classroom’s ammonia has been clear for five days, its nitrite shows the first zero today',
			'Classroom tank',
			'/today',
			[
				/Day 23 of the cycle/,
				/Ammonia peaked on Fri 6 Nov .*clear for 5 days in a row/,
				/Nitrite peaked on Sat 14 Nov .*first zero on Mon 23 Nov; clear for 1 day in a row/,
				/The first zero of nitrite\. It is provisional/,
				/less than 0\.1 mg\/L of nitrite may be there and not be seen/
			]
		],
		[
			'nitrate fell once without a change while nitrite was high',
			'Classroom tank',
			'/findings',
			[/Nitrate fell without a water change, while there was nitrite/, /not to be believed/]
		],
		[
			'one batch was thin, one held nutrients',
			'Mixing barrel',
			'/findings',
			[
				/This batch is thin in magnesium/,
				/Fresh salt water holds nitrate/,
				/Fresh salt water holds phosphate/
			]
		],
		[
			'the paludarium’s buffer ran down five months ago, and came back',
			'Paludarium',
			'/findings',
			[
				/Now (?!The buffer runs out).*In what was read before Sun 21 Jun to Sun \d+ (Jun|Jul) The buffer runs out/
			]
		],
		[
			'a reading with two bad drops, and a doubt remark',
			'Paludarium',
			'/log',
			[/2 bad drops|two bad drops|2 of them bad/i, /Two drops hit the rim of the vial/]
		],
		[
			'two bottles of sea water, held against each other and against the sea',
			'Skerry sample',
			'/compare?by=water&parameter=calcium',
			[/Skerry sample and Bight sample/, /Natural sea water at S = 34\.\d holds 4\d\d–4\d\d mg\/L/]
		],
		[
			'one lot is expired, one ends in nine days',
			'Lobby reef',
			'/shelf',
			[/Past its date since/, /Its date ends in 9 days/]
		],
		[
			'a session was left an hour ago, and one is due today over two waters',
			'Lobby reef',
			'/bench',
			[/Left unfinished/, /Lobby reef and Paludarium|Paludarium/]
		]
	];

describe('the demo world tells that', () => {
	it.each(STORIES)('%s', async (_story, water, view, words) => {
		const me = await at(water, view);
		for (const said of words) await me.sees(said);
		expect(me.complaints).toEqual([]);
		await me.close();
	});
	it('an animal died, the panel was tested after it, and what each result means', async () => {
		const me = await at('Lobby reef', '/log?what=events');
		await me.sees('The old wrasse lay dead');
		const href = await me.page.evaluate(
			() => document.querySelector<HTMLAnchorElement>('a[href*="/panel/death"]')!.href
		);
		await me.page.goto(href);
		await me.sees('All of it was tested');
		await me.sees(/Ammonia.*As it should be: found.*None found: the water did not turn/);
		await me.close();
	});
	it('a dropper leaks', async () => {
		const me = await at('Lobby reef', '/shelf');
		const href = await me.page.evaluate(
			() =>
				[...document.querySelectorAll<HTMLAnchorElement>('main a[href*="/shelf/"]')].find((a) =>
					a.innerText.includes('Alkalinity by drops')
				)!.href
		);
		await me.page.goto(href);
		await me.sees(/leaks or spits/);
		await me.close();
	});
	it('a left-for-used slip was corrected, with both to be seen', async () => {
		const me = await at('Lobby reef', '/log?what=alkalinity');
		for (let page = 0; page < 6; page++) {
			if (/Entered what was left as what was used/.test(await me.text())) break;
			await me.press('Older');
			await sleep(800);
		}
		await me.sees('Corrected: Entered what was left as what was used.');
		await me.close();
	});
});

/** The mark in the bar that stands for all waters. */
const openMark = (me: Person) =>
	me.page.evaluate(() =>
		[...document.querySelectorAll<HTMLElement>('header summary')]
			.find((s) => /needs? you/.test(s.innerText))!
			.click()
	);

describe('Today', () => {
	it('says in one mark how many waters need somebody, and opens to each, the worst first', async () => {
		const me = await openPage(world);
		await me.sees(/[2-8] need you/);
		await openMark(me);
		await me.sees('Your waters, the one that needs you first');
		const names = await me.page.$$eval('header details[open] li strong', (all) =>
			all.map((s) => s.textContent)
		);
		expect(names).toHaveLength(8);
		expect(names[0]).toBe('Cuttings tray');
		await me.press('Cuttings tray');
		await me.sees('Stony corals, low nutrient'.toLowerCase());
		await me.close();
	});
	it('shows every parameter of a reef at one look, and on a phone within two screens', async () => {
		const rowsEnd = (me: Person) =>
			me.page.evaluate(() => {
				const rows = [...document.querySelectorAll('ul[aria-labelledby="water-now"] > li')];
				return { rows: rows.length, end: Math.round(rows.at(-1)!.getBoundingClientRect().bottom + scrollY) };
			});
		const desk = await openPage(world);
		const atDesk = await rowsEnd(desk);
		expect(atDesk.rows).toBe(11);
		expect(atDesk.end).toBeLessThanOrEqual(DESK.height);
		await desk.close();
		const phone = await openPage(world, '/', PHONE);
		expect((await rowsEnd(phone)).end).toBeLessThanOrEqual(2 * PHONE.height);
		// What is read at leisure stands folded below.
		expect(await phone.text()).not.toContain('Lately');
		await phone.press('What needs a decision');
		await phone.sees('Lately');
		await phone.close();
	});
	it('shows three things at most, folds the rest, and gives its reasons', async () => {
		const me = await openPage(world, '/', PHONE);
		const shown = await me.page.$$eval('ul[aria-label="What needs a decision"] > li', (li) => li.length);
		expect(shown).toBe(3);
		await me.press('Alkalinity');
		await me.sees(/By the estimate the chance of being inside 7\.5–9 dKH is/);
		await me.sees(/Natural sea water at S = 35\.\d holds/);
		await me.sees(/own start was/);
		await me.close();
	});
	it('turns an event into tests, with why and what each outcome would mean', async () => {
		const me = await openPage(world);
		await me.goto('/log/new?kind=algae');
		await me.fill('[name=note]', 'Green film on the back wall');
		await me.press('Save the entry');
		await me.sees('What to test when algae spread');
		await me.sees('One of the two that algae live on.');
		await me.sees('Not tested since');
		await me.press('Test these 2 now');
		await me.sees('2 tests in one session');
		await me.goto('/today');
		await me.sees(/Algae spread, today\. Not tested since: nitrate, phosphate/);
		await me.close();
	});
});

describe('the rules', () => {
	it('can be switched off and on again, one by one', async () => {
		const me = await openPage(world);
		const rule = 'pH was read by day only';
		await me.goto('/findings');
		await me.sees(/Now .*pH was read by day only All readings/);
		await me.page.click(`button[aria-label="Switch off: ${rule}"]`);
		await me.page.waitForSelector(`button[aria-label="Switch on: ${rule}"]`);
		expect(await me.text()).not.toMatch(/pH was read by day only All readings/);
		await me.page.click(`button[aria-label="Switch on: ${rule}"]`);
		await me.sees(/pH was read by day only All readings/);
		await me.close();
	});
});

describe('when tests are due', () => {
	it('follows a fixed day where one is wanted, and refuses nonsense', async () => {
		const me = await at('Classroom tank', '/testing');
		await me.sees('Next tests');
		await me.fill('[name=clearDays]', '99');
		await me.press('Keep these settings');
		await me.sees(/Not yet\./);
		await me.fill('[name=clearDays]', '7');
		await me.press('Keep these settings');
		await me.sees('Kept.');
		await me.press('Today');
		await me.sees('1 of 7 days in a row are clear');
		await me.close();
		const reef = await at('Lobby reef', '/testing');
		await reef.page.select('[name=habit]', '14');
		await reef.press('Keep these settings');
		await reef.sees(/a fixed testing day, every 14 days/);
		await reef.close();
	});
	it('goes into a calendar, by a file and by an address that can be revoked', async () => {
		const me = await openPage(world);
		await me.goto('/testing');
		const file = await me.page.evaluate(
			async (base) => (await fetch(`${base}/calendar.ics`)).text(),
			me.base
		);
		expect(file).toMatch(/^BEGIN:VCALENDAR\r\n/);
		expect(file).toMatch(/SUMMARY:Lobby reef: test /);
		await me.press('Make a private address');
		await me.sees('It is shown once');
		const address = await me.page.$eval('[role=status] .select-all', (e) => e.textContent.trim());
		// A calendar program has no cookie.
		const asked = await fetch(address);
		expect([asked.status, asked.headers.get('content-type')]).toEqual([200, 'text/calendar; charset=utf-8']);
		await me.press('Revoke it');
		await me.page.waitForFunction(() => !document.body.innerText.includes('Address made on'));
		expect((await fetch(address)).status).toBe(404);
		await me.close();
	});
});

describe('a profile of one’s own', () => {
	it('keeps what was typed when something is wrong, and sets a water’s bands', async () => {
		const me = await openPage(world);
		await me.goto('/profiles');
		await me.fill('[name=name]', 'Quiet lagoon');
		await me.fill('[name=source]', 'the harbour club');
		await me.fill('[name="alkalinity.low"]', '9.5');
		await me.press('Keep the profile');
		await me.sees(/above|below|upper|lower/);
		expect(await me.page.$eval('[name=name]', (e) => (e as HTMLInputElement).value)).toBe('Quiet lagoon');
		await me.fill('[name="alkalinity.low"]', '7.2');
		await me.press('Keep the profile');
		await me.sees('KH 7.2–9');
		await me.page.click('button[aria-label^="Set it for"]');
		await me.sees(/7\.2–9 dKH, aim 8\.2 since Mon 23 Nov\. Quiet lagoon: the harbour club/);
		await me.close();
	});
});

describe('the laboratory', () => {
	it('takes a bottle, and tells when it answers', async () => {
		const me = await openPage(world);
		await me.goto('/laboratory');
		await me.press('Send it');
		await me.sees(/Under way Drawn Mon 23 Nov: alkalinity, calcium, magnesium, potassium/);
		await me.sees(/The answer is expected on/);
		await me.close();
	});
	it('’s table is matched on screen, line by line, and its values referee', async () => {
		const me = await at('Bight sample', '/laboratory');
		await me.page.waitForSelector('textarea');
		await me.fill(
			'textarea',
			'What;Found;Unit;±;Drawn\nCalcium;397;mg/L;8;2026-08-20\nMoonlight;4;mg/L;;\nMagnesium;1228;mg/L;24;20.08.2026'
		);
		await me.press('Look at its columns');
		await me.sees('What each column holds');
		// "What" and "Drawn" are known heads, "Found" is not.
		await me.sees('0 values to keep');
		await me.page.select('select[aria-label="What Found holds"]', 'value');
		await me.sees('2 values to keep');
		await me.sees(/Line 2: what was measured is not known here \(“Moonlight”\)/);
		await me.page.$eval('input[maxlength="200"]', (e) => e.focus());
		await me.page.keyboard.type('harbour laboratory');
		await me.press('Keep these values');
		await me.sees('2 values are kept.');
		await me.press('Log');
		await me.sees(/397 ± 8 mg\/L/);
		await me.close();
	});
});

describe('the board', () => {
	it('has last week beside now for every tank', async () => {
		const me = await openPage(world);
		await openMark(me);
		await me.press('As a board');
		await me.sees(/Cuttings tray .*last week/);
		const tanks = await me.page.$$eval('main section h2', (h) => h.map((e) => e.textContent));
		expect(tanks.sort()).toEqual(['Classroom tank', 'Cuttings tray', 'Lobby reef', 'Paludarium']);
		await me.close();
	});
});
