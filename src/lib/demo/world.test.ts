import { describe, expect, it } from 'vitest';
import { derive, pointOf, type TestResult } from '$lib/core/reading';
import { addDays, daysBetween, fromIso } from '$lib/core/time';
import type { WaterStory } from './story';
import { demoWorld } from './world';

const now = fromIso('2026-11-23T18:20:00Z');
const sites = demoWorld(now);
const waters = sites.flatMap((s) => s.waters);
const named = (name: string): WaterStory => waters.find((w) => w.name === name)!;
const results = (water: WaterStory, parameter: string) =>
	water.readings.flatMap(({ at, method, reading }) => {
		const derived = derive(method, reading);
		if (!derived.ok) throw new Error(`${water.name}: ${JSON.stringify(derived.fault)}`);
		return derived.value.outcomes.flatMap(({ result }) =>
			result.parameter === parameter ? [{ at, result, day: daysBetween(water.startedAt, at) }] : []
		);
	});
const value = (result: TestResult) => pointOf(result)?.value ?? Number.NaN;

describe('the demo world', () => {
	it('has two sites, and the waters of both', () => {
		expect(sites.map((s) => s.waters.map((w) => w.name))).toEqual([
			['Lobby reef', 'Mixing barrel', 'Quay tap', 'Paludarium', 'Skerry sample', 'Bight sample'],
			['Cuttings tray', 'Classroom tank']
		]);
		expect(sites[1].people.some((p) => p.displayName === 'Keeper' && p.role === 'keeper')).toBe(true);
	});
	it('is the same on every telling, and never in the future', () => {
		expect(JSON.stringify(demoWorld(now))).toBe(JSON.stringify(sites));
		for (const water of waters) {
			for (const { at } of [...water.readings, ...water.events, ...water.notes, ...water.batches]) {
				expect(at).toBeLessThanOrEqual(now);
				expect(at).toBeGreaterThanOrEqual(water.startedAt);
			}
		}
	});
	it('has a session that was left unfinished an hour ago, and one for today that covers two waters', () => {
		const [left, planned] = sites[0].sessions;
		expect([left!.state, daysBetween(left!.at, now) * 24]).toEqual(['under-way', 1]);
		expect(planned!.state).toBe('planned');
		expect(planned!.dueAt).toBeGreaterThan(now);
		expect(new Set(planned!.tests.map((t) => t.water)).size).toBe(2);
		for (const { tests } of sites.flatMap((s) => s.sessions)) {
			for (const { water, stepsDone } of tests) {
				expect(named(water)).toBeDefined();
				// Only what sets up: nothing reacts for an hour.
				expect(stepsDone).toBeLessThan(3);
			}
		}
	});
	it.each(waters.map((w) => [w.name, w] as const))(
		'has only readings in %s that can be derived',
		(_n, water) => {
			expect(water.readings.length).toBeGreaterThan(10);
			for (const { method, reading } of water.readings) expect(derive(method, reading).ok).toBe(true);
		}
	);
});

describe('what its waters tell', () => {
	it('the barrel: nine batches, one thin in magnesium, one with nutrients', () => {
		const barrel = named('Mixing barrel');
		expect(barrel.batches).toHaveLength(9);
		const magnesium = results(barrel, 'magnesium').map((r) => value(r.result));
		expect(magnesium.indexOf(Math.min(...magnesium))).toBe(4);
		const nitrate = results(barrel, 'nitrate').map((r) => value(r.result));
		expect(nitrate.indexOf(Math.max(...nitrate))).toBe(6);
		expect(nitrate.filter((x) => x > 1)).toHaveLength(1);
	});
	it('the tap: hard', () => {
		for (const { result } of results(named('Quay tap'), 'hardness'))
			expect(value(result)).toBeGreaterThan(12);
	});
	it('the paludarium: its buffer ran down five months ago, and came back', () => {
		const kh = results(named('Paludarium'), 'alkalinity');
		const around = (from: number, to: number) => {
			const found = kh.filter((r) => r.day >= from && r.day <= to).map((r) => value(r.result));
			return found.reduce((a, b) => a + b, 0) / found.length;
		};
		expect(around(0, 60)).toBeGreaterThan(1.2);
		expect(around(85, 110)).toBeLessThan(0.9);
		expect(around(200, 243)).toBeGreaterThan(1.1);
	});
	it('the collected samples: two kits and a laboratory that agree within their intervals', () => {
		for (const name of ['Skerry sample', 'Bight sample']) {
			const alkalinity = results(named(name), 'alkalinity').map((r) => pointOf(r.result)!);
			expect(alkalinity).toHaveLength(3);
			const laboratory = alkalinity.at(-1)!;
			for (const kit of alkalinity.slice(0, -1)) {
				const u = Math.hypot(kit.uRandom, kit.uCommon, laboratory.uRandom, laboratory.uCommon);
				expect(Math.abs(kit.value - laboratory.value) / u).toBeLessThan(3);
			}
		}
		const salinity = (name: string) => value(results(named(name), 'salinity')[0]!.result);
		expect(salinity('Skerry sample')).toBeGreaterThan(salinity('Bight sample') + 1);
	});
	it('the tray: potassium runs low', () => {
		const potassium = results(named('Cuttings tray'), 'potassium').map((r) => value(r.result));
		const mean = (x: number[]) => x.reduce((a, b) => a + b, 0) / x.length;
		expect(mean(potassium.slice(-5))).toBeLessThan(mean(potassium.slice(0, 5)) - 25);
	});
	it('the classroom: ammonia peaks in the first week, nitrite in the third, then both go', () => {
		const classroom = named('Classroom tank');
		const peak = (parameter: string) => {
			const found = results(classroom, parameter);
			return found.reduce((most, r) => (value(r.result) > value(most.result) ? r : most)).day;
		};
		expect(peak('ammonia')).toBeGreaterThan(3);
		expect(peak('ammonia')).toBeLessThan(10);
		expect(peak('nitrite')).toBeGreaterThan(10);
		expect(peak('nitrite')).toBeLessThan(19);
		const lately = results(classroom, 'ammonia').filter((r) => r.at > addDays(now, -5));
		for (const { result } of lately) expect(value(result)).toBeLessThan(0.15);
	});
	it('the reef: nutrients stay within their bands, and the major ions too', () => {
		const reef = named('Lobby reef');
		const late = (parameter: string) =>
			results(reef, parameter)
				.filter((r) => r.at > addDays(now, -180))
				.map((r) => value(r.result));
		const mean = (x: number[]) => x.reduce((a, b) => a + b, 0) / x.length;
		expect(mean(late('nitrate'))).toBeGreaterThan(2);
		expect(mean(late('nitrate'))).toBeLessThan(15);
		expect(mean(late('phosphate'))).toBeLessThan(0.12);
		expect(mean(late('magnesium'))).toBeGreaterThan(1240);
		expect(mean(late('salinity'))).toBeCloseTo(35, 0);
		expect(mean(late('temperature'))).toBeGreaterThan(24.5);
	});
});
