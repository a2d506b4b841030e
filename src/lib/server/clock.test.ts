import { describe, expect, it } from 'vitest';
import { instant } from '$lib/core/time';
import { clockSetting, idMaker, serverClock } from './clock';

describe('the server’s clock', () => {
	it('is the machine’s unless it was set', () => {
		expect(clockSetting(undefined, 5)).toBeNull();
		expect(Math.abs(serverClock(null).now() - Date.now())).toBeLessThan(1000);
	});
	it('begins where it is set and runs as fast as it is told', async () => {
		const machine = performance.timeOrigin + performance.now();
		const still = serverClock(clockSetting('2026-11-23T18:20:00Z,0', machine));
		const fast = serverClock(clockSetting('2026-11-23T18:20:00Z,1000', machine));
		await new Promise((done) => setTimeout(done, 30));
		expect(new Date(still.now()).toISOString()).toBe('2026-11-23T18:20:00.000Z');
		expect(fast.now() - still.now()).toBeGreaterThan(20_000);
	});
	it.each(['yesterday', '2026-11-23T18:20:00Z,-1', '2026-11-23T18:20:00Z,fast'])(
		'cannot be set to %j',
		(text) => {
			expect(() => clockSetting(text, 0)).toThrow(/TEVRIK_CLOCK/);
		}
	);
});

describe('ids', () => {
	it('are UUID v7, rise, and carry the clock’s time', () => {
		const at = instant(Date.parse('2026-11-23T18:20:00Z'));
		const newId = idMaker({ now: () => at });
		const ids = Array.from({ length: 500 }, newId);
		expect([...ids].sort()).toEqual(ids);
		expect(new Set(ids).size).toBe(500);
		for (const id of ids)
			expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
		expect(Math.abs(parseInt(ids[0]!.replace('-', '').slice(0, 12), 16) - at)).toBeLessThan(10);
	});
});
