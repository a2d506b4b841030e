import { describe, expect, it } from 'vitest';
import { inputsOf } from '$lib/core/balance';
import { derive } from '$lib/core/reading';
import { addDays, daysBetween, fromIso } from '$lib/core/time';
import { estimateOne } from '$lib/core/trend';
import { LOBBY_REEF, lobbyReef } from './lobby-reef';

const now = fromIso('2026-11-23T18:20:00Z');
const { history, story } = lobbyReef(now);
const valueOf = (r: (typeof history.readings)[number]) => {
	const derived = derive(r.method, r.reading);
	const result = derived.ok ? derived.value.outcomes[0].result : null;
	if (result?.kind !== 'value') throw new Error('no value');
	return result;
};
const readingsOf = (parameter: string) => history.readings.filter((r) => r.method.parameter === parameter);

describe('the lobby reef', () => {
	it('is the same on every telling of one day', () => {
		expect(lobbyReef(now).story).toEqual(story);
	});
	it('was tested for eighteen months, alkalinity twice a week and calcium once, never in the future', () => {
		expect(readingsOf('alkalinity').length).toBeGreaterThan(150);
		expect(readingsOf('calcium').length).toBeGreaterThan(75);
		for (const { at } of [...history.readings, ...story.events, ...story.notes]) expect(at).toBeLessThan(now);
	});
	it('was read about as well as the readings claim', () => {
		for (const parameter of ['alkalinity', 'calcium']) {
			const z = readingsOf(parameter).map((r) => {
				const { value, uRandom, uCommon } = valueOf(r);
				return (value - r.truth) / Math.hypot(uRandom, uCommon);
			});
			expect(z.filter((x) => Math.abs(x) > 2).length / z.length).toBeLessThan(0.08);
		}
	});
	it('fell when its pump stood still for four days, and came back by single doses', () => {
		const failed = story.events.find((e) => e.kind === 'recurring-dose-missed')!;
		const levelAt = (days: number) =>
			history.states.find((s) => s.at >= addDays(failed.at, days))!.levels.alkalinity!;
		expect(levelAt(0) - levelAt(4)).toBeGreaterThan(1.5);
		expect(levelAt(8)).toBeGreaterThan(levelAt(4) + 1);
		expect(story.events.filter((e) => e.kind === 'dose')).toHaveLength(3);
	});
	it('uses more alkalinity than five weeks before, which the estimate finds', () => {
		const observations = readingsOf('alkalinity').map((r, i) => ({
			id: String(i),
			at: r.at,
			kit: r.method.code,
			result: valueOf(r)
		}));
		const inputs = inputsOf(story.events, 'alkalinity', LOBBY_REEF.netVolumeL, addDays(now, 30));
		const estimate = estimateOne({ parameter: 'alkalinity', observations, inputs }, now)!;
		const lately = estimate.rateAt(now);
		const before = estimate.rateAt(addDays(now, -37));
		expect(lately.value - before.value).toBeGreaterThan(2 * Math.hypot(lately.u, before.u));
		const truth = history.states.at(-1)!.levels.alkalinity!;
		const { value, uRandom, uCommon } = estimate.at(now);
		expect(Math.abs(value - truth)).toBeLessThan(3 * Math.hypot(uRandom, uCommon));
	});
	it('has one reading that was entered the wrong way round', () => {
		const misread = story.readings.find((r) => r.firstEnteredAs)!;
		expect(misread.method.parameter).toBe('alkalinity');
		expect(daysBetween(misread.at, now)).toBeLessThan(80);
	});
});
