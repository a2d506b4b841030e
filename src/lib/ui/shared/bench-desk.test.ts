import { describe, expect, it } from 'vitest';
import { CA_SYRINGE } from '$lib/core/method';
import { addSeconds, instant, type Instant } from '$lib/core/time';
import { BenchDesk } from './BenchDesk.svelte';
import type { BenchDraft } from './bench-session';
import { emptyReading } from './reading-draft';

/** A store in memory that keeps copies, as the browser's does. */
function memory() {
	const kept = new Map<string, string>();
	let broken = false;
	return {
		kept,
		break: () => (broken = true),
		read: <T>(waterId: string) =>
			broken
				? Promise.reject(new Error('no store'))
				: Promise.resolve(JSON.parse(kept.get(waterId) ?? 'null') as T | null),
		write: (waterId: string, draft: unknown) => {
			if (broken) return Promise.reject(new Error('no room'));
			kept.set(waterId, JSON.stringify(draft));
			return Promise.resolve();
		},
		remove: (waterId: string) => {
			kept.delete(waterId);
			return Promise.resolve();
		}
	};
}
function bench() {
	let now = instant(1_700_000_000_000);
	const store = memory();
	const clock = { now: () => now };
	return {
		store,
		clock,
		desk: new BenchDesk(clock, store),
		pass: (seconds: number) => (now = addSeconds(now, seconds))
	};
}
const draft = (startedAt: Instant): BenchDraft => ({
	waterId: 'w',
	method: CA_SYRINGE,
	portion: 'half',
	runId: 'r',
	sampleId: 's',
	readingId: 'x',
	drawnAt: startedAt,
	startedAt,
	log: [],
	reading: emptyReading(CA_SYRINGE, { endPoint: 'full', between: 'interpolate' }),
	keptHow: '',
	earlier: [],
	note: '',
	readAt: null
});

describe('the bench’s desk', () => {
	it('is ready only after it has looked, and finds what was left there', async () => {
		const { desk, store, clock } = bench();
		expect(desk.ready).toBe(false);
		await desk.open();
		expect([desk.ready, desk.draft]).toEqual([true, null]);
		desk.start(draft(clock.now()));
		desk.note('step-done');
		desk.change({ note: 'poor light' });

		const later = new BenchDesk(clock, store);
		await later.open();
		expect(later.draft).toEqual(desk.draft);
		expect(later.progress).toMatchObject({ stepIndex: 1 });
		expect(later.steps[1]!.say).toContain('1.5 mL');
	});
	it('is empty again once the test is cleared', async () => {
		const { desk, store, clock } = bench();
		await desk.open();
		desk.start(draft(clock.now()));
		expect(store.kept.size).toBe(1);
		await desk.clear();
		expect([desk.draft, desk.session, store.kept.size]).toEqual([null, null, 0]);
	});
	it('refuses what is not allowed, and notes nothing then', async () => {
		const { desk, clock } = bench();
		await desk.open();
		expect(desk.note('drop')).toMatchObject({ ok: false });
		desk.start(draft(clock.now()));
		desk.note('step-done');
		desk.note('step-done');
		const before = desk.draft;
		expect(desk.note('step-done')).toMatchObject({ ok: false, fault: { code: 'count-not-reached' } });
		expect(desk.draft).toBe(before);
	});
	it('runs its timers by the clock, not by the ticks it was given', async () => {
		const { desk, clock, pass } = bench();
		await desk.open();
		desk.start(draft(clock.now()));
		desk.note('step-done');
		desk.note('step-done');
		for (let i = 0; i < 6; i++) desk.note('drop');
		desk.note('step-done');
		// The wait begins by itself.
		expect(desk.timer).toMatchObject({ label: 'Calcium', leftMs: 20_000, over: false });
		pass(15);
		desk.tick();
		expect(desk.timer).toMatchObject({ leftMs: 5000, over: false });
		// The lid was closed for an hour.
		pass(3600);
		desk.tick();
		expect(desk.timer).toMatchObject({ over: true });
		expect(desk.note('step-done')).toMatchObject({ ok: true });
		expect(desk.progress?.deviations).toMatchObject([{ stepId: '4-stand', what: 'seconds' }]);
	});
	it('says so when the browser keeps nothing', async () => {
		const { desk, store, clock } = bench();
		store.break();
		await desk.open();
		expect(desk.ready).toBe(true);
		expect(desk.storeFault).toMatch(/keeps nothing/);
		desk.start(draft(clock.now()));
		await Promise.resolve();
		await Promise.resolve();
		expect(desk.storeFault).toMatch(/no room/);
		expect(desk.draft).not.toBeNull();
	});
});
