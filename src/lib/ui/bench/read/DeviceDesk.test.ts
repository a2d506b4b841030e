import { describe, expect, it } from 'vitest';
import {
	ALK_METER,
	ALK_SYRINGE,
	PH_PROBE,
	PO4_METER,
	SALINITY_METER,
	TEMPERATURE_PROBE,
	type DisplayMethod
} from '$lib/core/method';
import { addSeconds, instant, type Instant } from '$lib/core/time';
import { DeviceDesk, deviceOf } from './DeviceDesk.svelte';

function deskFor(method: DisplayMethod, holds: number) {
	let now: Instant = instant(1_800_000_000_000);
	const standing = { clock: { now: () => now }, seed: 3, holds: () => holds, temperatureC: () => 25.1 };
	const desk = new DeviceDesk(deviceOf(method)!, method, standing);
	return { desk, wait: (s: number) => (now = addSeconds(now, s)) };
}

describe('the device beside the bench', () => {
	it('is there for photometers and probes, not where the eye reads', () => {
		expect([ALK_METER, PO4_METER].map(deviceOf)).toEqual(['photometer', 'photometer']);
		expect([PH_PROBE, TEMPERATURE_PROBE].map(deviceOf)).toEqual(['probe', 'probe']);
		expect([ALK_SYRINGE, SALINITY_METER].map(deviceOf)).toEqual([null, null]);
	});
	it('goes from connecting over its zero to a number, and says what is in the way', async () => {
		const { desk, wait } = deskFor(ALK_METER, 146);
		expect(await desk.read()).toBeNull();
		await desk.connect();
		expect(desk).toMatchObject({ connected: true, zeroed: false, fault: null });
		expect(desk.warmUpLeftS()).toBe(30);
		expect(await desk.read()).toBeNull();
		expect(desk.fault?.code).toBe('device-blank-first');
		wait(60);
		await desk.setZero();
		expect(desk).toMatchObject({ zeroed: true, fault: null });
		wait(20);
		const read = await desk.read();
		expect(Math.abs(read!.shown - 146)).toBeLessThan(15);
		expect(desk.fault).toBeNull();
	});
	it('has to be connected and set to zero again once it was lost', async () => {
		const { desk, wait } = deskFor(ALK_METER, 146);
		await desk.connect();
		wait(60);
		await desk.setZero();
		desk.mishap = 'lost';
		expect(await desk.read()).toBeNull();
		expect(desk).toMatchObject({ connected: false, zeroed: false, fault: { code: 'device-lost' } });
		desk.mishap = 'not-there';
		await desk.connect();
		expect(desk).toMatchObject({ connected: false, fault: { code: 'device-not-there' } });
		desk.mishap = 'none';
		await desk.connect();
		expect(desk).toMatchObject({ connected: true, zeroed: false, fault: null });
	});
	it('reads a probe with the temperature beside it, and tells while it still moves', async () => {
		const { desk, wait } = deskFor(PH_PROBE, 8.12);
		await desk.connect();
		expect(await desk.read()).toMatchObject({ settled: false, temperatureC: 25.1 });
		wait(120);
		const read = await desk.read();
		expect(read?.settled).toBe(true);
		expect(read!.shown).toBeCloseTo(8.12, 1);
		desk.close();
		expect(await desk.read()).toBeNull();
	});
});
