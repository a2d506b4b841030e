// npm run bench -- loads   what a first visit to each page loads: script and style over the wire, and how much of the
// script was never run. Nothing here depends on the machine's speed.
import { launchBrowser } from './browser.mjs';
import { main } from './say.mjs';
import { withTemplateWorld } from './template-world.ts';
import { TEST_START } from './test-engine.mjs';

const VIEWS = ['today', 'bench', 'trends', 'adjust', 'shelf', 'log', 'board', 'methods', 'testing', 'help'];
/** Of all script that a first load brings, so much may go unrun. */
const MOST_UNUSED = 0.3;

interface Load {
	readonly view: string;
	readonly scriptKb: number;
	readonly styleKb: number;
	readonly unused: number;
	readonly requests: number;
}

/** How much of a text lies in no used range. */
function unusedOf(entry: {
	readonly text: string;
	readonly ranges: readonly { readonly start: number; readonly end: number }[];
}): number {
	return entry.text.length - entry.ranges.reduce((sum, { start, end }) => sum + end - start, 0);
}

async function loadOf(origin: string, path: string, view: string): Promise<Load> {
	const browser = await launchBrowser();
	try {
		const page = await browser.newPage();
		const client = await page.createCDPSession();
		await client.send('Network.enable');
		await client.send('Network.setBypassServiceWorker', { bypass: true });
		const types = new Map<string, string>();
		const bytes = { Script: 0, Stylesheet: 0 };
		let requests = 0;
		client.on('Network.responseReceived', ({ requestId, type }) => {
			requests++;
			types.set(requestId, type);
		});
		client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
			const type = types.get(requestId);
			if (type === 'Script' || type === 'Stylesheet') bytes[type] += encodedDataLength;
		});
		await page.setViewport({ width: 1280, height: 800 });
		await page.coverage.startJSCoverage();
		await page.goto(origin + path, { waitUntil: 'networkidle0' });
		const all = await page.coverage.stopJSCoverage();
		const length = all.reduce((sum, { text }) => sum + text.length, 0);
		return {
			view,
			scriptKb: bytes.Script / 1000,
			styleKb: bytes.Stylesheet / 1000,
			unused: all.reduce((sum, entry) => sum + unusedOf(entry), 0) / length,
			requests
		};
	} finally {
		await browser.close();
	}
}

await main(async () => {
	await withTemplateWorld({ env: { TEVRIK_CLOCK: `${TEST_START},0` } }, async ({ origin }) => {
		const first = await fetch(`${origin}/`, { headers: { accept: 'text/html' } });
		const base = new URL(first.url).pathname.replace(/\/today$/, '');
		console.log('page      script kB   style kB   script never run   requests');
		const missed: string[] = [];
		for (const view of VIEWS) {
			const { scriptKb, styleKb, unused, requests } = await loadOf(origin, `${base}/${view}`, view);
			const share = `${(unused * 100).toFixed(0)} %`;
			console.log(
				`${view.padEnd(10)}${scriptKb.toFixed(1).padStart(9)}${styleKb.toFixed(1).padStart(11)}${share.padStart(19)}${String(requests).padStart(11)}`
			);
			if (unused > MOST_UNUSED) missed.push(`${view}: ${share} of its script never run (at most 30 %)`);
		}
		for (const line of missed) console.log(`misses  ${line}`);
		if (process.argv.includes('--check') && missed.length > 0) process.exitCode = 1;
	});
});
