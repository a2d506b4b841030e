import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { faultsOn } from './axe.ts';
import { sleep } from './patience.ts';
import { layOutTests } from './session-hand.ts';
import { DESK, openPage, PHONE, startWorld, type Person, type World } from './world.ts';

/** What is pressed once each instrument was read. */
const DONE = {
	'alk-syringe': 'Colour has turned',
	'alk-drops': 'Colour has turned',
	'no3-card': 'That is its place',
	'po4-meter': 'That is what it shows',
	'salinity-glass': 'That is where it stands'
} as const;

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

describe('a session', () => {
	it.each([
		['light', PHONE],
		['dark', DESK]
	] as const)('is accessible and fits, %s', async (theme, viewport) => {
		const me = await openPage(world, '/', viewport);
		await me.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
		await me.page.setBypassCSP(true);
		const clean = { found: [], overflows: false };
		await me.goto('/bench');
		await me.sees('Left unfinished');
		// The longest that can stand there: every test with its method.
		await me.page.$$eval('main input[type=checkbox]:not(:checked)', (boxes) =>
			boxes.forEach((box) => box.click())
		);
		expect({ view: 'choose', ...(await faultsOn(me)) }).toEqual({ view: 'choose', ...clean });
		await layOutTests(me, [
			['Nitrate', 'no3-ladder'],
			['Alkalinity', 'alk-syringe']
		]);
		await me.press('Change the order');
		expect({ view: 'lay-out', ...(await faultsOn(me)) }).toEqual({ view: 'lay-out', ...clean });
		await me.press('Begin');
		await me.sees('min left');
		await me.press('Something went wrong');
		expect({ view: 'run', ...(await faultsOn(me)) }).toEqual({ view: 'run', ...clean });
		await me.press('Pause everything');
		expect({ view: 'paused', ...(await faultsOn(me)) }).toEqual({ view: 'paused', ...clean });
		await me.press('Go on');
		for (let i = 0; i < 2; i++) {
			await me.press('Give this test up');
			await sleep(400);
		}
		await me.sees('The session is done');
		expect({ view: 'finish', ...(await faultsOn(me)) }).toEqual({ view: 'finish', ...clean });
		expect(me.complaints).toEqual([]);
		await me.close();
	});
});

describe('every instrument and its result', () => {
	it.each([
		['light', PHONE],
		['dark', DESK]
	] as const)('is accessible and fits, %s', async (theme, viewport) => {
		const me = await openPage(world, '/', viewport);
		await me.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
		await me.page.setBypassCSP(true);
		for (const code of ['alk-syringe', 'alk-drops', 'no3-card', 'po4-meter', 'salinity-glass'] as const) {
			await me.goto('/bench');
			await me.choose(code);
			await me.press('Start ');
			await me.toReading(true);
			for (const key of ['ArrowUp', 'ArrowUp', 'a'] as const) await me.page.keyboard.press(key);
			expect({ code, ...(await faultsOn(me)) }).toEqual({ code, found: [], overflows: false });
			await me.press(DONE[code]);
			await me.sees('How it was reckoned');
			expect({ code, ...(await faultsOn(me)) }).toEqual({ code, found: [], overflows: false });
			await me.press('Back to the reading');
			await me.press('Give this test up');
		}
		await me.close();
	});
});

describe('every view', () => {
	const views = [
		'/today',
		'/bench',
		'/bench/taken',
		'/trends',
		'/trends?rows=phosphate.nitrate&over=phosphate.nitrate',
		'/log',
		'/log/new?kind=dose',
		'/log/new?kind=water-change',
		'/log/new?kind=new-mix',
		'/log/result?parameter=phosphate',
		'/targets',
		'/methods',
		'/methods/new',
		'/methods/no3-ladder',
		'/habits',
		'/practice',
		'/practice?weigh=end-point/alk-syringe/0&span=all',
		'/practice/end-point?kit=alk-syringe',
		'/practice/end-point?kit=mg-syringe&mode=slow',
		'/practice/steps?kit=po4-card',
		'/practice/steps?kit=no3-ladder',
		'/practice/scale?scale=syringe',
		'/practice/scale?scale=float',
		'/practice/scale?scale=line',
		'/practice/scale?scale=cuvette',
		'/practice/count',
		'/practice/time',
		'/practice/scoop',
		'/practice/colours',
		'/practice/known?kit=po4-card',
		'/practice/mentor',
		'/practice/dry?kit=no3-card',
		'/shelf',
		'/shelf/new',
		'/shelf/new?kind=kit&method=ca-mg-pair',
		'/shelf/new?kind=standard',
		'/shelf/shopping',
		'/shelf/labels',
		'/shelf/compare?parameter=nitrate',
		'/shelf/standard',
		'/methods/alk-syringe/card',
		'/help',
		'/help?q=alkalinity',
		'/findings',
		'/panel/death',
		'/compare',
		'/compare?by=reader',
		'/compare?by=water',
		'/board',
		'/testing',
		'/laboratory',
		'/profiles',
		'/adjust',
		'/adjust/plan',
		'/adjust/plan?goals=alkalinity,calcium,magnesium',
		'/adjust/plan?kind=salinity&aim=34',
		'/adjust/plan?kind=husbandry&id=nitrate-high',
		'/adjust/change?litres=54&count=3&everyDays=7&target=nitrate&to=4',
		'/adjust/blend?tapKh=14&kh=1.5&gh=3&litres=60&nowKh=1.6&nowGh=3.4',
		'/adjust/batches?litres=120&salinity=35',
		'/adjust/daily',
		'/adjust/daily?school=limewater&evaporates=4',
		'/adjust/supplements',
		'/adjust/limits'
	];
	let me: Person;
	beforeAll(async () => {
		me = await openPage(world);
		await me.page.setBypassCSP(true);
	});
	afterAll(() => me.close());

	/** The first address of a kind that a page links to. */
	async function linkOn(page: string, kind: RegExp): Promise<string> {
		const html = await (await fetch(`${me.base}${page}`, { headers: { cookie: await me.cookie() } })).text();
		return kind.exec(html)?.[0] ?? '';
	}
	/** Once loaded, it is looked at on a desk by day and on a phone by night. */
	async function quiet(view: string, open: () => Promise<void> = async () => {}): Promise<void> {
		me.complaints.length = 0;
		await me.page.setViewport(DESK);
		await me.goto(view);
		await open();
		for (const [theme, viewport] of [
			['light', DESK],
			['dark', { width: PHONE.width, height: PHONE.height }]
		] as const) {
			await me.page.setViewport(viewport);
			await me.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
			expect({ view, theme, ...(await faultsOn(me)) }).toEqual({ view, theme, found: [], overflows: false });
		}
		expect(me.complaints).toEqual([]);
	}
	it.each(views)('%s is accessible, fits and is quiet', (view) => quiet(view));
	it.each<[string, string, () => Promise<void>]>([
		['a row of Today opened', '/today', () => me.press('Alkalinity')],
		['all waters on their panel', '/today', () => me.press('2 need you')],
		[
			'the cursor in Trends, with its table',
			'/trends',
			async () => {
				await me.page.waitForSelector('.stack canvas[data-drawn=yes]');
				await me.page.focus('.stack');
				for (const key of ['End', 'ArrowLeft'] as const) await me.page.keyboard.press(key);
				await me.sees(/, read/);
			}
		],
		['the rows of Trends to choose from', '/trends', () => me.press('Rows, compare, save')],
		['a correction in its place', '/log?what=readings', () => me.press('Correct')],
		[
			'readings already taken, and one that cannot be',
			'/bench/taken',
			async () => {
				await me.page.waitForSelector('input[data-taken]');
				await me.page.type('[role=group][aria-label="Alkalinity"] input', '47');
				await me.page.type('[role=group][aria-label="Magnesium"] input', '0.33');
				await me.sees('Not saved as it stands: Alkalinity');
			}
		],
		['an answer beside its thing', '/today', () => me.page.click('[aria-label^="Help: "]')]
	])('%s is accessible, fits and is quiet', (_what, view, open) => quiet(view, open));
	it.each([
		['a reading', '/log', /\/log\/[0-9a-f-]{36}/],
		['a thing', '/shelf', /\/shelf\/[0-9a-f-]{36}/],
		['a plan', '/adjust', /\/adjust\/plans\/[0-9a-f-]{36}/]
	] as const)('%s is accessible, fits and is quiet', async (_what, page, kind) => {
		const view = await linkOn(page, kind);
		expect(view).not.toBe('');
		await quiet(view);
	});

	it('weighs little at its first load', async () => {
		const weigh = async (view: string) => {
			const me = await openPage(world);
			const urls = new Set<string>();
			me.page.on('response', (r) => {
				if (/\.(js|css)$/.test(new URL(r.url()).pathname)) urls.add(r.url());
			});
			await me.page.setCacheEnabled(false);
			await me.goto(view);
			let bytes = 0;
			for (const url of urls) bytes += gzipSync(Buffer.from(await (await fetch(url)).arrayBuffer())).length;
			await me.close();
			return bytes / 1000;
		};
		// With the desk, whose timers and plan run on whatever view one looks at, and the dangers, told on every view.
		expect(await weigh('/today')).toBeLessThan(140);
		expect(await weigh('/trends')).toBeLessThan(260);
	});
	it('asks for its programs once it is painted, and for one style sheet', async () => {
		for (const view of ['/today', '/bench', '/trends', '/log', '/shelf', '/adjust']) {
			const page = await fetch(me.base + view, {
				headers: { cookie: await me.cookie(), accept: 'text/html' }
			});
			expect(page.headers.get('link')).not.toMatch(/modulepreload|latin-ext/);
			const html = await page.text();
			// Where the framework once writes its call in another way, this says so.
			const programs = /const programs = (\[[^\]]+\])/.exec(html)?.[1];
			expect((JSON.parse(programs ?? '[]') as string[]).length).toBeGreaterThan(5);
			expect(html).not.toContain('rel="modulepreload"');
			// Those that stand in the page are linked too, and not fetched.
			const fetched = (html.match(/<link[^>]*rel="stylesheet"[^>]*>/g) ?? []).filter(
				(l) => !l.includes('disabled')
			);
			expect(fetched).toHaveLength(1);
		}
	});
});

describe('entering what happened', () => {
	it('keeps what was typed when something is wrong, and says which field', async () => {
		const me = await openPage(world);
		await me.goto('/log/new?kind=dose');
		for (const [nonsense, said] of [
			['', /The amount must be a number/],
			['lots', /The amount must be a number/],
			['-3', /The amount must be above 0/],
			['NaN', /The amount must be a number/],
			['1e9', /The amount must be a number/],
			['999999999', /The amount must be at most 100000/]
		] as const) {
			await me.fill('[name="details.amountMl"]', nonsense || ' ');
			await me.fill('[name=note]', 'by hand');
			// The words may stand there from the try before: this one's answer has to have come, and to be on the screen.
			await Promise.all([
				me.page.waitForResponse((r) => r.request().method() === 'POST'),
				me.press('Save the entry')
			]);
			await me.page.waitForSelector('main form:not([aria-busy])');
			await me.sees(said);
			expect(await me.page.$eval('[name=note]', (e) => (e as HTMLInputElement).value)).toBe('by hand');
		}
		await me.fill('[name="details.amountMl"]', '12,5');
		await me.press('Save the entry');
		await me.sees('12.5 mL of Part');
		await me.sees('by hand');
		await me.close();
	});

	it('works without any script', async () => {
		const me = await openPage(world);
		await me.page.setJavaScriptEnabled(false);
		await me.goto('/log/new?kind=water-change');
		await me.fill('[name="details.volumeL"]', '4000');
		await me.page.click('button[type=submit]');
		await me.page.waitForSelector('[aria-invalid=true]');
		await me.fill('[name="details.volumeL"]', '43');
		await me.fill('[name="details.newWater.alkalinity"]', '7.6');
		await Promise.all([me.page.waitForNavigation(), me.page.click('main button[type=submit]')]);
		expect(await me.text()).toMatch(/Before and after: water change .*43 L; Batch 9; KH 7\.6 dKH/);
		await me.goto('/targets');
		expect(await me.text()).toMatch(/7\.5–9 dKH, aim 8\.2/);
		await me.close();
	});
});

describe('the log', () => {
	it('is searched over all that there is, by words, numbers, kind, person and time, as one types', async () => {
		const me = await openPage(world);
		await me.goto('/log');
		await me.page.type('[name=words]', 'skimmer');
		await me.sees(/all that there are|The first \d+ of these/);
		expect(await me.page.$$eval('tbody tr[data-index]', (all) => all.map((r) => r.innerText))).toSatisfy(
			(rows: string[]) => rows.length > 0 && rows.every((r) => /skimmer/i.test(r))
		);
		await me.page.waitForFunction(() => location.search === '?words=skimmer');
		// A number finds what is shown as it, of whatever age.
		await me.goto('/log?words=431');
		const rows = await me.page.$$eval('tbody tr[data-index]', (all) => all.map((r) => r.innerText));
		expect(rows.length).toBeGreaterThan(0);
		for (const row of rows) expect(row).toMatch(/431|430/);
		await me.goto('/log?what=water-change&from=2026-09-01&to=2026-09-30');
		const changes = await me.page.$$eval('tbody tr[data-index]', (all) => all.map((r) => r.innerText));
		expect(changes.length).toBeGreaterThanOrEqual(2);
		for (const change of changes) expect(change).toContain('Water change');
		expect(await me.text()).not.toMatch(/October|August/);
		await me.goto('/log?words=%25_nothing');
		await me.sees('Nothing like this');
		await me.close();
	});
	it('filters, pages, and corrects a reading with both to be seen', async () => {
		const me = await openPage(world);
		await me.goto('/log?what=calcium');
		expect(await me.text()).not.toMatch(/Alkalinity by syringe/);
		await me.goto('/log');
		await me.press('Older entries');
		await me.sees('October');
		await me.goto('/log?what=alkalinity');
		// In its place, without leaving what was looked for.
		await me.press('Correct');
		await me.sees('Why is it corrected?');
		await me.press('Save the correction');
		await me.sees('The reason needs at least 3 letters.');
		await me.fill('[name=reason]', 'Misread by one mark.');
		await me.press('Save the correction');
		await me.sees('The reading is the same as before');
		await me.fill('[name="fills.0.lowerMl"]', '7');
		await me.press('Save the correction');
		await me.sees('Not yet. The syringe holds 1 mL');
		await me.fill('[name="fills.0.lowerMl"]', '0.48');
		await me.press('Save the correction');
		await me.sees('Corrected: Misread by one mark.');
		expect(me.page.url()).toContain('what=alkalinity');
		await me.sees('Put in the place of the reading struck out.');
		const rows = await me.csv();
		expect(rows.filter((r) => r.includes('corrected')).length).toBeGreaterThanOrEqual(2);
		await me.close();
	});
});

describe('targets and preferences', () => {
	it('set a band from a date on, from a profile or by hand', async () => {
		const me = await openPage(world);
		await me.goto('/targets?profile=stony-low-nutrient');
		expect(await me.page.$eval('[name=high]', (e) => (e as HTMLInputElement).value)).toBe('8.3');
		await me.fill('[name=low]', '9.9');
		await me.press('Set alkalinity');
		await me.sees('9.9 is not below 8.3');
		await me.fill('[name=low]', 'seven');
		await me.press('Set alkalinity');
		await me.sees('The lower limit must be a number');
		await me.fill('[name=low]', '7');
		await me.press('Set alkalinity');
		await me.sees('7–8.3 dKH, aim 7.6');
		await me.sees('Conventional husbandry band: stony corals, low nutrient');
		await me.goto('/today');
		await me.press('Alkalinity');
		await me.sees('Wanted: 7–8.3.');
		await me.close();
	});
	it('show alkalinity in the chosen unit and the screen after lights-out', async () => {
		const me = await openPage(world);
		await me.press('meq/L');
		await me.sees(/2\.\d+ ± 0\.\d+/);
		await me.press('after lights-out');
		await me.page.waitForSelector('html[data-theme=dark]');
		expect(await me.text()).toMatch(/meq\/L/);
		await me.close();
	});
});
