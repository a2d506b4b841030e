import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openPage, PHONE, startWorld, type Person as Me, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

/** The days that are shown, as the page says them. */
const span = (me: Me) =>
	me.page.evaluate(() => Number(/, (\d+) days?/.exec(document.body.innerText)?.[1] ?? Number.NaN));
const drawn = (me: Me) =>
	me.page.waitForFunction(() => {
		const all = [...document.querySelectorAll('canvas')];
		// Rows out of sight are drawn when they come into it.
		return all.filter((c) => c.dataset.drawn === 'yes').length >= 3;
	});
const stack = (me: Me) => me.page.waitForSelector('.stack').then((e) => e!);
/** Whether anything is painted on a row at all. */
const inked = (me: Me) =>
	me.page.evaluate(() => {
		const canvas = document.querySelector('canvas')!;
		const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
		return data.some((v, i) => i % 4 === 3 && v > 0);
	});

const drawnRows = (me: Me, names: readonly string[]) =>
	me.page.waitForFunction(
		(wanted) =>
			[...document.querySelectorAll('main section[aria-label]')]
				.filter((s) => s.querySelector('[role="img"]'))
				.map((s) => s.getAttribute('aria-label'))
				.join() === wanted,
		{},
		names.join()
	);

describe('the stack of trends', () => {
	it('shows a span in one press, moves and zooms by keys, and tells everything under the cursor in words', async () => {
		const me = await openPage(world);
		await me.goto('/trends');
		await drawn(me);
		expect(await inked(me)).toBe(true);
		expect(await span(me)).toBeGreaterThan(90);
		await me.press('month');
		await me.page.waitForFunction(() => /, 3\d days/.test(document.body.innerText));
		await (await stack(me)).focus();
		await me.page.keyboard.press('1');
		await me.page.waitForFunction(() => /, [78] days/.test(document.body.innerText));
		await me.page.keyboard.press('-');
		await me.page.waitForFunction(() => /, 1[0-3] days/.test(document.body.innerText));
		await me.page.keyboard.press('3');
		await me.page.keyboard.press('End');
		const words = () => me.page.$eval('[aria-live="polite"].visually-hidden', (e) => e.textContent ?? '');
		await me.page.waitForFunction(() =>
			/Alkalinity .*read/.test(
				document.querySelector('[aria-live="polite"].visually-hidden')?.textContent ?? ''
			)
		);
		const last = await words();
		expect(last).toMatch(/Alkalinity \d[\d.]* ± [\d.]+ dKH, read/);
		expect(last).toMatch(/Calcium \d+ ± \d+ mg\/L/);
		await me.page.keyboard.press('ArrowLeft');
		await me.page.waitForFunction(
			(old) => (document.querySelector('[aria-live="polite"].visually-hidden')?.textContent ?? '') !== old,
			{},
			last
		);
		await me.page.keyboard.press('Escape');
		await me.page.waitForFunction(
			() => (document.querySelector('[aria-live="polite"].visually-hidden')?.textContent ?? '') === ''
		);
		expect(me.complaints).toEqual([]);
		await me.close();
	});

	it('is dragged by a pointer, and a finger’s tap sets the cursor', async () => {
		const me = await openPage(world, '/', PHONE);
		await me.goto('/trends?span=month');
		await drawn(me);
		const said = () =>
			me.page.evaluate(() => /\w{3} \d+ \w+ to \w{3} \d+ \w+/.exec(document.body.innerText)?.[0]);
		const before = await said();
		const box = (await (await me.page.waitForSelector('canvas'))!.boundingBox())!;
		await me.page.mouse.move(box.x + 150, box.y + 60);
		await me.page.mouse.down();
		await me.page.mouse.move(box.x + 260, box.y + 62, { steps: 6 });
		await me.page.mouse.up();
		await me.page.waitForFunction(
			(old) => /\w{3} \d+ \w+ to \w{3} \d+ \w+/.exec(document.body.innerText)?.[0] !== old,
			{},
			before
		);
		await me.page.touchscreen.tap(box.x + 200, box.y + 60);
		await me.page.waitForFunction(() =>
			/Alkalinity/.test(document.querySelector('[aria-live="polite"].visually-hidden')?.textContent ?? '')
		);
		await me.close();
	});

	it('lays two over each other, another water beside, and keeps what is seen as files', async () => {
		const me = await openPage(world);
		await me.goto('/trends');
		await drawn(me);
		await me.press('Rows, compare, save');
		await me.page.select('select[aria-label="First"]', 'alkalinity');
		await me.page.select('select[aria-label="Second"]', 'calcium');
		await me.sees('full line, scale at the left');
		const others = await me.page.$$eval('.more label + div select option', (all) =>
			all.map((o) => ({ value: o.value, name: o.textContent ?? '' }))
		);
		const tray = others.find((o) => o.name.includes('Cuttings tray'));
		expect(tray).toBeDefined();
		await me.page.select('.more label + div select', tray!.value);
		await me.sees('broken line and small hollow marks: Cuttings tray');
		const files = await me.page.evaluate(async () => {
			const made: { name: string; size: number; text: string }[] = [];
			// oxlint-disable-next-line typescript/unbound-method -- put back as it was
			const click = HTMLAnchorElement.prototype.click;
			const blobs = new Map<string, Blob>();
			const create = URL.createObjectURL.bind(URL);
			URL.createObjectURL = (blob: Blob) => {
				const url = create(blob);
				blobs.set(url, blob);
				return url;
			};
			const done: Promise<void>[] = [];
			HTMLAnchorElement.prototype.click = function (this: HTMLAnchorElement) {
				const blob = blobs.get(this.href)!;
				done.push(
					blob
						.text()
						.then(
							(text) =>
								void made.push({ name: this.download, size: blob.size, text: text.slice(0, 4_000_000) })
						)
				);
			};
			const press = (words: string) =>
				[...document.querySelectorAll('button')].find((b) => b.innerText.includes(words))!.click();
			press('Save it as CSV');
			press('Save it as a picture');
			press('Save it as a drawing');
			for (let i = 0; i < 100 && made.length < 3; i++) await new Promise((r) => setTimeout(r, 100));
			await Promise.all(done);
			HTMLAnchorElement.prototype.click = click;
			return made;
		});
		const csv = files.find((f) => f.name.endsWith('.csv'))!;
		expect(csv.text.split('\r\n')[0]).toBe(
			'time_utc,water,parameter,what,kind,value,lower_95,upper_95,unit,kit,state'
		);
		expect(csv.text).toContain('Lobby reef,Alkalinity,reading,value');
		expect(files.find((f) => f.name.endsWith('.png'))!.size).toBeGreaterThan(20_000);
		const drawing = files.find((f) => f.name.endsWith('.svg'))!.text;
		const said = await me.page.evaluate((text) => {
			const svg = new DOMParser().parseFromString(text, 'image/svg+xml');
			return {
				broken: svg.querySelector('parsererror')?.textContent ?? '',
				charts: svg.querySelectorAll('svg > svg').length,
				lines: svg.querySelectorAll('path').length,
				words: [...svg.querySelectorAll('text')].map((t) => t.textContent).join(' ')
			};
		}, drawing);
		expect(said.broken).toBe('');
		expect(said.charts).toBe(11);
		expect(said.lines).toBeGreaterThan(100);
		expect(said.words).toContain('Alkalinity, dKH');
		// Programs that know no colours of the page's kind draw it as well.
		expect(drawing).not.toContain('oklch');
		expect(drawing).toMatch(/stroke="rgb\(/);
		expect(me.complaints).toEqual([]);
		await me.close();
	});

	it('keeps what is looked at in the address, and which rows one likes on this device', async () => {
		const me = await openPage(world);
		await me.goto('/trends?span=month&rows=nitrate.calcium');
		await drawnRows(me, ['Nitrate', 'Calcium']);
		await me.press('Rows, compare, save');
		await me.page.click('button[aria-label="Nitrate further down"]');
		await drawnRows(me, ['Calcium', 'Nitrate']);
		await me.press('year');
		await me.page.waitForFunction(() => location.search === '?span=year&rows=calcium.nitrate');
		// Whoever is sent the address sees the same.
		const guest = await openPage(world);
		await guest.goto('/trends?span=year&rows=calcium.nitrate');
		await drawnRows(guest, ['Calcium', 'Nitrate']);
		await guest.goto('/trends');
		await guest.page.waitForFunction(
			() => document.querySelectorAll('main section[aria-label] [role="img"]').length === 11
		);
		await guest.close();
		// Whoever chose has them so from now on.
		await me.goto('/trends');
		await drawnRows(me, ['Calcium', 'Nitrate']);
		await me.press('Rows, compare, save');
		await me.press('All, as usual');
		await me.page.waitForFunction(
			() => document.querySelectorAll('main section[aria-label] [role="img"]').length === 11
		);
		await me.close();
	});

	it('keeps days and all time in sight, where a hand drags, a wheel zooms, and marks tell what happened', async () => {
		const me = await openPage(world);
		await me.goto('/trends');
		await drawn(me);
		await me.page.evaluate(() => scrollTo(0, 700));
		const places = await me.page.evaluate(() =>
			['.timehead', '.overview'].map((s) => document.querySelector(s)!.getBoundingClientRect().top)
		);
		expect(places[0]).toBeLessThan(20);
		expect(places[1]).toBeGreaterThan(650);
		const before = await span(me);
		const all = (await (await me.page.waitForSelector('.overview svg'))!.boundingBox())!;
		await me.page.mouse.move(all.x + 300, all.y + 15);
		await me.page.mouse.wheel({ deltaY: 400 });
		await me.page.waitForFunction(
			(old) => Number(/, (\d+) days/.exec(document.body.innerText)?.[1]) > old,
			{},
			before
		);
		await me.page.$eval('[aria-label="Where it begins"]', (e) => (e as unknown as SVGElement).focus());
		const wider = await span(me);
		for (let i = 0; i < 4; i++) await me.page.keyboard.press('ArrowRight');
		await me.page.waitForFunction(
			(old) => Number(/, (\d+) days/.exec(document.body.innerText)?.[1]) < old,
			{},
			wider
		);
		await me.goto('/trends');
		await drawn(me);
		const mark = (await me.page.waitForSelector('.timehead [aria-label*="missed"]'))!;
		await mark.hover();
		await me.sees(/Daily dose missed/);
		await mark.evaluate((e) => (e as SVGElement).focus());
		await me.page.keyboard.press('Enter');
		await me.page.keyboard.press('Escape');
		await me.page.waitForFunction(() => !document.querySelector('.timehead [role="status"]'));
		expect(me.complaints).toEqual([]);
		await me.close();
	});

	it('says the stories of the demo: risen use beside what happened, a point and a unit in the wrong place', async () => {
		const me = await openPage(world);
		// What presses less is folded.
		await me.page.evaluate(() => document.querySelectorAll('details').forEach((d) => (d.open = true)));
		await me.sees('Alkalinity use has risen from');
		await me.sees('Six cuttings from the school');
		await me.sees('Perhaps another unit');
		await me.sees('Perhaps a point in the wrong place');
		await me.goto('/trends');
		await me.sees('What was found');
		await me.sees('Alkalinity use has risen from');
		await me.close();
	});

	it('asks about a stored reading: that is it, or it stands as entered', async () => {
		const me = await openPage(world);
		const links = await me.page.$$eval('a[href*="/log/"]', (all) =>
			all
				.filter((a) => a.textContent === 'Look at it')
				.map((a) => ({ href: a.href, row: a.closest('li')!.innerText }))
		);
		const point = links.find((l) => l.row.includes('a point in the wrong place'))!;
		const unit = links.find((l) => l.row.includes('another unit'))!;
		await me.page.goto(point.href);
		await me.sees('does not fit');
		await me.press('That is it');
		await me.sees(/Corrected 4\d\d ± /);
		await me.press('Save the correction');
		await me.page.waitForFunction(() => location.pathname.endsWith('/log'));
		await me.goto('/log?what=calcium');
		await me.sees('Corrected: It was a point in the wrong place.');

		await me.page.goto(unit.href);
		await me.press('No, as entered');
		await me.page.waitForFunction(() => location.pathname.endsWith('/today'));
		const rest = await me.page.$$eval('a[href*="/log/"]', (all) =>
			all.filter((a) => a.textContent === 'Look at it').map((a) => a.href)
		);
		expect(rest).not.toContain(unit.href);
		expect(rest).not.toContain(point.href);
		expect(me.complaints).toEqual([]);
		await me.close();
	});
});
