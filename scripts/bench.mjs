// npm run bench [-- pages | loads] [-- --check]   ratios measured in one run; seconds would only tell about this machine
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms, ROOT } from './bootstrap.mjs';
import { main } from './say.mjs';

/** From the press to the page with the new value in it: median and 95th percentile of many presses, ms. */
async function liveMs(origin) {
	const { launchBrowser } = await import('./browser.mjs');
	const browser = await launchBrowser();
	try {
		const page = await browser.newPage();
		await page.setViewport({ width: 390, height: 844 });
		await page.goto(origin, { waitUntil: 'networkidle0' });
		await page.goto(page.url().replace(/\/today$/, '/bench'), { waitUntil: 'networkidle0' });
		const { toReading } = await import('./to-reading.mjs');
		await toReading(page, 'alk-drops', 'Colour has turned');
		const times = await page.evaluate(async (presses) => {
			const all = [];
			for (let i = 0; i < presses; i++) {
				const start = performance.now();
				document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }));
				// The page is brought up to date in microtasks; layout is forced so that it counts too.
				await new Promise((resolve) => queueMicrotask(resolve));
				document.body.getBoundingClientRect();
				all.push(performance.now() - start);
				await new Promise((resolve) => setTimeout(resolve, 5));
			}
			return all.sort((a, b) => a - b);
		}, 150);
		return { median: times[75], slow: times[142] };
	} finally {
		await browser.close();
	}
}

await main(async () => {
	ensurePrograms('mariadb', 'chromium');
	ensurePackages();
	if (process.argv.includes('loads')) {
		const loads = [join(ROOT, 'scripts/bench-loads.ts'), ...process.argv.slice(2)];
		process.exitCode =
			spawnSync(join(ROOT, 'node_modules/.bin/tsx'), loads, { stdio: 'inherit' }).status ?? 1;
		return;
	}
	const { runScript } = await import('./application.mjs');
	const { withDemoWorld } = await import('./demo-world.mjs');
	const onlyPages = process.argv.includes('pages');
	for (const script of onlyPages ? [] : ['bench-results.ts', 'bench-estimate.ts', 'bench-plan.ts']) {
		console.log(runScript(script, {}));
	}

	await withDemoWorld({}, async ({ databaseUrl, personId, serve }) => {
		const server = await serve();
		const first = await fetch(`${server.origin}/`, { headers: { accept: 'text/html' }, redirect: 'manual' });
		const cookie = first.headers.get('set-cookie').split(';')[0];
		const old = runScript('ten-years.ts', { DATABASE_URL: databaseUrl });
		const pages = spawnSync(
			join(ROOT, 'node_modules/.bin/tsx'),
			[join(ROOT, 'scripts/bench-pages.ts'), ...process.argv.slice(2)],
			{
				stdio: 'inherit',
				env: {
					...process.env,
					DATABASE_URL: databaseUrl,
					BENCH_ORIGIN: server.origin,
					BENCH_COOKIE: cookie,
					BENCH_PERSON: personId,
					BENCH_PID: String(server.pid),
					BENCH_OLD_WATER: /waters\/([0-9a-f-]{36})/.exec(old)?.[1] ?? ''
				}
			}
		);
		if (pages.status !== 0) process.exitCode = 1;
		const { median, slow } = await liveMs(server.origin);
		console.log(
			`a drop counted, its value and interval shown: ${median.toFixed(1)} ms, one in twenty slower than ${slow.toFixed(1)} ms (a frame: 16)`
		);
	});
});
