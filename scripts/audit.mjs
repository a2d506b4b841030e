// npm run audit [-- --runs 5] [--view today,trends] [--form mobile|desktop] [--slowdown 4] [--keys] [--check]
// Lighthouse on the main views as medians of some runs, and what a key costs at the syringe. With --check a figure
// below its aim ends it with 1.
import { parseArgs } from 'node:util';
import { ensurePackages, ensurePrograms } from './bootstrap.mjs';
import { main } from './say.mjs';

const VIEWS = {
	today: '/today',
	bench: '/bench',
	trends: '/trends',
	adjust: '/adjust',
	shelf: '/shelf',
	log: '/log'
};
/** Scores in hundredths, times in ms, a share in hundredths of all JavaScript of a first load. */
const AIMS = {
	mobile: { performance: 95, accessibility: 100, practices: 100, blocking: 200, unused: 25 },
	desktop: { performance: 99, accessibility: 100, practices: 100, blocking: 200, unused: 25 }
};
const KEY_AIMS = { middle: 16, slow: 50 };
const AT_LEAST = new Set(['performance', 'accessibility', 'practices']);

const median = (all) => all.toSorted((a, b) => a - b)[all.length >> 1];
const missed = (aims, name, value) => (AT_LEAST.has(name) ? value < aims[name] : value > aims[name]);

/** How much of the JavaScript that a first load brings it does not use, in hundredths of its bytes. */
function unusedShare(lhr) {
	const scripts = lhr.audits['network-requests'].details.items.filter((i) => i.resourceType === 'Script');
	const all = scripts.reduce((sum, s) => sum + (s.resourceSize ?? 0), 0);
	// The audit leaves files out that waste little; the tree map has every one.
	const nodes = lhr.audits['script-treemap-data']?.details?.nodes ?? [];
	const total = nodes.reduce((sum, n) => sum + (n.resourceBytes ?? 0), 0);
	const unused = nodes.reduce((sum, n) => sum + (n.unusedBytes ?? 0), 0);
	return { share: total === 0 ? 0 : (100 * unused) / total, kb: all / 1000 };
}

/** A telephone as Lighthouse has it, on a processor slowed by a factor of one's own. */
function slowedBy(factor) {
	const throttling = { rttMs: 150, throughputKbps: 1638.4, cpuSlowdownMultiplier: factor };
	return { extends: 'lighthouse:default', settings: { throttling } };
}

async function auditOf(browser, url, cookie, form) {
	const { default: lighthouse, desktopConfig } = await import('lighthouse');
	const context = await browser.createBrowserContext();
	const page = await context.newPage();
	try {
		const { lhr } = await lighthouse(
			url,
			{
				logLevel: 'error',
				output: [],
				onlyCategories: ['performance', 'accessibility', 'best-practices'],
				extraHeaders: { cookie }
			},
			form === 'desktop' ? desktopConfig : slowedBy(Number(asked.slowdown)),
			page
		);
		if (lhr.runtimeError) throw new Error(`${url}: ${lhr.runtimeError.message}`);
		const { share, kb } = unusedShare(lhr);
		const failing = Object.values(lhr.audits)
			.filter((a) => a.score !== null && a.score < 1 && a.scoreDisplayMode === 'binary')
			.map((a) => a.id);
		return {
			performance: 100 * lhr.categories.performance.score,
			accessibility: 100 * lhr.categories.accessibility.score,
			practices: 100 * lhr.categories['best-practices'].score,
			blocking: lhr.audits['total-blocking-time'].numericValue,
			first: lhr.audits['first-contentful-paint'].numericValue,
			largest: lhr.audits['largest-contentful-paint'].numericValue,
			shift: lhr.audits['cumulative-layout-shift'].numericValue,
			unused: share,
			kb,
			speed: lhr.environment.benchmarkIndex,
			failing
		};
	} finally {
		await context.close();
	}
}

/** Main-thread work of a key at the syringe with the processor slowed four times, ms, from the browser's own trace. */
async function keyWork(browser, origin) {
	const KEYS = 60;
	const context = await browser.createBrowserContext();
	const page = await context.newPage();
	try {
		await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
		await page.goto(origin, { waitUntil: 'networkidle0' });
		await page.goto(page.url().replace(/\/today$/, '/bench'), { waitUntil: 'networkidle0' });
		const { toReading } = await import('./to-reading.mjs');
		await toReading(page, 'alk-syringe', 'Colour has turned');
		const session = await page.createCDPSession();
		await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
		const events = [];
		session.on('Tracing.dataCollected', ({ value }) => events.push(...value));
		await session.send('Tracing.start', {
			transferMode: 'ReportEvents',
			traceConfig: {
				includedCategories: [
					'disabled-by-default-devtools.timeline',
					'devtools.timeline',
					'blink.user_timing'
				]
			}
		});
		for (let i = 0; i < KEYS; i++) {
			await page.evaluate((n) => performance.mark(`key-${n}`), i);
			await page.keyboard.press(i % 4 === 3 ? 'ArrowUp' : 'ArrowDown');
			await new Promise((done) => setTimeout(done, 120));
		}
		const done = new Promise((resolve) => session.once('Tracing.tracingComplete', resolve));
		await session.send('Tracing.end');
		await done;
		const marks = events.filter((e) => /^key-\d+$/.test(e.name)).sort((a, b) => a.ts - b.ts);
		const thread = marks[0].tid;
		const tasks = events.filter((e) => e.name === 'RunTask' && e.tid === thread && e.dur > 0);
		const costs = marks.map((mark, i) => {
			const end = marks[i + 1]?.ts ?? mark.ts + 120_000;
			return tasks.filter((t) => t.ts >= mark.ts && t.ts < end).reduce((sum, t) => sum + t.dur, 0) / 1000;
		});
		const sorted = costs.toSorted((a, b) => a - b);
		return { middle: median(sorted), slow: sorted[Math.floor(0.95 * sorted.length)] };
	} finally {
		await context.close();
	}
}

const { values: asked } = parseArgs({
	options: {
		runs: { type: 'string', default: '5' },
		view: { type: 'string', default: Object.keys(VIEWS).join(',') },
		form: { type: 'string', default: 'mobile,desktop' },
		slowdown: { type: 'string', default: '4' },
		keys: { type: 'boolean', default: false },
		check: { type: 'boolean', default: false }
	}
});

/** Prints the table, the work of a key, and what is below its aim. */
async function audit(browser, origin) {
	const below = [];
	const speeds = [];
	const begun = await fetch(`${origin}/`, { headers: { accept: 'text/html' }, redirect: 'manual' });
	// Whoever comes again has been shown round.
	const cookie = `${begun.headers.get('set-cookie').split(';')[0]}; tevrik_preferences=tour:seen`;
	const water = new URL(begun.headers.get('location'), origin).pathname.replace(/\/today$/, '');
	if (!asked.keys) {
		console.log(
			'view    form     perf.  access.  practices  blocking  first  largest  shift  unused  JavaScript'
		);
		for (const view of asked.view.split(',')) {
			for (const form of asked.form.split(',')) {
				const runs = [];
				for (let i = 0; i < Number(asked.runs); i++) {
					runs.push(await auditOf(browser, origin + water + VIEWS[view], cookie, form));
				}
				speeds.push(...runs.map((r) => r.speed));
				const of = (name) => median(runs.map((r) => r[name]));
				const cell = (name, digits, width) => {
					const value = of(name);
					const under = AIMS[form][name] !== undefined && missed(AIMS[form], name, value);
					if (under) below.push(`${view}, ${form}: ${name} ${value.toFixed(digits)}`);
					return `${value.toFixed(digits)}${under ? '!' : ' '}`.padStart(width);
				};
				console.log(
					`${view.padEnd(8)}${form.padEnd(8)}${cell('performance', 0, 6)}${cell('accessibility', 0, 9)}${cell('practices', 0, 11)}${cell('blocking', 0, 10)}${cell('first', 0, 7)}${cell('largest', 0, 9)}${cell('shift', 3, 7)}${cell('unused', 0, 8)}${cell('kb', 0, 8)} kB  ${[...new Set(runs.flatMap((r) => r.failing))].join(' ')}`
				);
			}
		}
	}
	if (speeds.length > 0)
		console.log(
			`this machine: ${Math.round(median(speeds))} by Lighthouse's own measure; its phone is this machine slowed ${asked.slowdown} times`
		);
	const key = await keyWork(browser, origin);
	console.log(
		`a key at the syringe, processor slowed four times: ${key.middle.toFixed(1)} ms of main-thread work (aim: under ${KEY_AIMS.middle}), one in twenty over ${key.slow.toFixed(1)} (aim: under ${KEY_AIMS.slow})`
	);
	for (const name of ['middle', 'slow'])
		if (key[name] >= KEY_AIMS[name]) below.push(`a key at the syringe: ${name} ${key[name].toFixed(1)} ms`);
	if (below.length > 0) {
		console.log(`below the aims:\n${below.map((line) => `  ${line}`).join('\n')}`);
		if (asked.check) process.exitCode = 1;
	}
}

await main(async () => {
	ensurePrograms('mariadb', 'chromium');
	ensurePackages();
	const { launchBrowser } = await import('./browser.mjs');
	const { withDemoWorld } = await import('./demo-world.mjs');
	await withDemoWorld({}, async (world) => {
		const server = await world.serve();
		const browser = await launchBrowser();
		try {
			await audit(browser, server.origin);
		} finally {
			await browser.close();
		}
	});
});
