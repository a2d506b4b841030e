import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addSeconds, instant, type Instant } from '$lib/core/time';
import { readFrame, writeFrame } from './frame.ts';
import { simulatedPhotometer, type Mishap } from './simulated-photometer.ts';
import { simulatedProbe } from './simulated-probe.ts';

function bench() {
	let now: Instant = instant(1_800_000_000_000);
	let mishap: Mishap = 'none';
	return {
		clock: { now: () => now },
		wait: (seconds: number) => (now = addSeconds(now, seconds)),
		goWrong: (how: Mishap) => (mishap = how),
		mishap: () => mishap
	};
}
const photometer = (b: ReturnType<typeof bench>, seed = 1, holds = 145) =>
	simulatedPhotometer({ ...b, seed, holds: () => holds, resolution: 1, most: 300, scatter: 0.01 });
async function session<T>(device: { connect(): Promise<{ ok: boolean; value?: T }> }): Promise<T> {
	const made = await device.connect();
	if (!made.ok) throw new Error('not connected');
	return made.value!;
}

describe('the simulated photometer', () => {
	it('warms up, is set to zero, and reads what is there', async () => {
		const b = bench();
		const s = await session(photometer(b));
		expect(s.warmUpLeftS()).toBe(30);
		expect(await s.blank()).toMatchObject({ fault: { code: 'device-warming', details: { seconds: 30 } } });
		b.wait(45);
		expect(await s.read()).toMatchObject({ fault: { code: 'device-blank-first' } });
		expect(await s.blank()).toMatchObject({ ok: true });
		b.wait(60);
		const read = await s.read();
		expect(read.ok && Math.abs(read.value - 145)).toBeLessThan(12);
	});
	it('gives the same numbers for the same seed and times, others for another', async () => {
		const run = async (seed: number) => {
			const b = bench();
			const s = await session(photometer(b, seed));
			const values: unknown[] = [];
			b.wait(60);
			await s.blank();
			for (let i = 0; i < 5; i++) {
				b.wait(30);
				values.push(await s.read());
			}
			return values;
		};
		expect(await run(4)).toEqual(await run(4));
		expect(await run(4)).not.toEqual(await run(5));
	});
	it('says what went wrong, and gives no number then', async () => {
		const b = bench();
		b.goWrong('not-there');
		expect(await photometer(b).connect()).toMatchObject({ fault: { code: 'device-not-there' } });
		b.goWrong('none');
		const s = await session(photometer(b));
		b.wait(60);
		b.goWrong('dirty');
		expect(await s.blank()).toMatchObject({ fault: { code: 'device-dirty' } });
		b.goWrong('none');
		await s.blank();
		b.goWrong('nonsense');
		expect(await s.read()).toMatchObject({ fault: { code: 'device-nonsense' } });
		b.goWrong('none');
		expect((await s.read()).ok).toBe(true);
		b.wait(601);
		expect(await s.read()).toMatchObject({ fault: { code: 'device-blank-old' } });
		b.goWrong('lost');
		expect(await s.blank()).toMatchObject({ fault: { code: 'device-lost' } });
		b.goWrong('none');
		// Once lost it stays so until it is connected again.
		expect(await s.blank()).toMatchObject({ fault: { code: 'device-lost' } });
		const over = await session(photometer(b, 1, 400));
		b.wait(60);
		await over.blank();
		expect(await over.read()).toMatchObject({ fault: { code: 'device-over' } });
		over.close();
		expect(await over.read()).toMatchObject({ ok: false });
	});
});

describe('the simulated probe', () => {
	const probe = (b: ReturnType<typeof bench>) =>
		simulatedProbe({
			...b,
			seed: 2,
			holds: () => ({ value: 8.1, temperatureC: 25.2 }),
			resolution: 0.01,
			startsAt: 7
		});
	it('creeps to its value and says when it has come to rest', async () => {
		const b = bench();
		const s = await session(probe(b));
		const first = await s.read();
		expect(first).toMatchObject({ value: { settled: false } });
		expect(first.ok && first.value.shown).toBeLessThan(7.3);
		b.wait(90);
		const later = await s.read();
		expect(later).toMatchObject({ value: { settled: true, temperatureC: 25.2 } });
		expect(later.ok && later.value.shown).toBeCloseTo(8.1, 1);
	});
	it('answers its failures in words', async () => {
		const b = bench();
		b.goWrong('not-there');
		expect(await probe(b).connect()).toMatchObject({ fault: { code: 'device-not-there' } });
		b.goWrong('none');
		const s = await session(probe(b));
		b.goWrong('nonsense');
		expect(await s.read()).toMatchObject({ fault: { code: 'device-nonsense' } });
		b.goWrong('lost');
		expect(await s.read()).toMatchObject({ fault: { code: 'device-lost' } });
	});
});

describe('a line from a device', () => {
	it('comes back as it was sent', () => {
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: -9999, max: 9999 }), { minLength: 1, maxLength: 4 }),
				(values) => {
					const frame = { kind: 'value', values: values.map((v) => v / 10 + 0) } as const;
					expect(readFrame(writeFrame(frame))).toEqual({ ok: true, value: frame });
				}
			)
		);
		for (const kind of ['done', 'over', 'dirty'] as const) {
			expect(readFrame(writeFrame({ kind }))).toEqual({ ok: true, value: { kind } });
		}
	});
	it('that was disturbed is never a number', () => {
		const line = writeFrame({ kind: 'value', values: [142] });
		fc.assert(
			fc.property(fc.nat(line.length - 1), fc.integer({ min: 33, max: 126 }), (at, code) => {
				const letter = String.fromCharCode(code);
				fc.pre(line[at] !== letter);
				const disturbed = line.slice(0, at) + letter + line.slice(at + 1);
				expect(readFrame(disturbed).ok).toBe(false);
			})
		);
		fc.assert(fc.property(fc.string(), (text) => void readFrame(text)));
		for (const text of ['', 'V', 'OK', 'V 1*00', 'V NaN*11', 'HELLO*00'])
			expect(readFrame(text).ok).toBe(false);
	});
});
