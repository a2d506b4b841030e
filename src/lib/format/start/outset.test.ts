import { describe, expect, it } from 'vitest';
import { PROFILE_IDS } from '$lib/core/judgement';
import { PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { addDays, instant } from '$lib/core/time';
import { everyWords, mostWords, testingWords, wantedWords, type Outset } from './outset.ts';
import { PROFILE_PLAIN } from './profile-plain.ts';

const now = instant(Date.parse('2026-11-23T18:20:00Z'));
const units = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].canonicalUnit])) as Record<
	ParameterId,
	UnitId
>;
const reef: Outset = { profile: 'mixed-reef', startedAt: addDays(now, -730), animals: true, now };

describe('what follows from a kind of water', () => {
	it('is what is wanted of it, in the units of the reader', () => {
		const words = wantedWords(reef, units);
		expect(words).toContain('alkalinity 7.5–9 dKH');
		expect(words).toContain('pH 7.8–8.5');
		expect(wantedWords(reef, { ...units, alkalinity: 'meq-per-l' })).toContain('alkalinity 2.67–3.21 meq/L');
	});

	it('wants less nitrate of a young tank', () => {
		expect(wantedWords({ ...reef, startedAt: addDays(now, -30) }, units)).toContain('nitrate 2–10 mg/L NO₃');
	});

	it('is what to test how often, and what a day may change at most', () => {
		expect(testingWords(reef)).toMatch(/^Alkalinity weekly; calcium, salinity every other week; nitrate/);
		expect(testingWords({ ...reef, profile: 'cycling' })).toMatch(/^Ammonia, nitrite daily;/);
		expect(mostWords(reef, units)).toContain('alkalinity 0.5 dKH');
		expect(mostWords({ ...reef, animals: false }, units)).toEqual([]);
	});

	it('is said of every kind, each with its own words', () => {
		expect(PROFILE_PLAIN.map((p) => p.value).sort()).toEqual([...PROFILE_IDS].sort());
		for (const profile of PROFILE_IDS) {
			const words = [...wantedWords({ ...reef, profile }, units), testingWords({ ...reef, profile })];
			for (const word of words) expect(word).not.toMatch(/undefined|null|NaN/);
		}
		expect(everyWords(5)).toBe('every 5 days');
	});
});
