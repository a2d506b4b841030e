import { describe, expect, it } from 'vitest';
import { browsersOpen, DEMO_PORT, OWN_PORT } from './ports.mjs';

/** Whether the platform's own fetch, which follows browsers, would ask there. */
async function isAsked(port: number): Promise<boolean> {
	try {
		await fetch(`http://127.0.0.1:${port}/`, { signal: AbortSignal.timeout(200) });
		return true;
	} catch (fault) {
		return (fault as { cause?: { message?: string } }).cause?.message !== 'bad port';
	}
}

describe('the ports at which Tevrik is served', () => {
	it('by themselves are such that browsers open, the house’s among them', async () => {
		for (const port of [OWN_PORT, OWN_PORT + 1, DEMO_PORT]) {
			expect(browsersOpen(port), `${port}`).toBe(true);
			expect(await isAsked(port), `${port}`).toBe(true);
		}
	});
	it('are those of the platform', async () => {
		const above = Array.from({ length: 12_000 - 1024 }, (_, i) => 1024 + i).filter((p) => !browsersOpen(p));
		for (const port of above) expect(await isAsked(port), `${port}`).toBe(false);
		expect(above).toContain(4190);
		expect(browsersOpen(25)).toBe(false);
	});
});
