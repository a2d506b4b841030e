import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readPreferences, THEMES, writePreferences, type Preferences } from './preferences';

describe('preferences', () => {
	it('have defaults, and come back from their cookie', () => {
		const defaults = {
			theme: 'system',
			endPoint: 'full',
			between: 'interpolate',
			units: { alkalinity: 'dkh', salinity: 'psu' }
		} as const;
		expect(readPreferences(undefined)).toMatchObject(defaults);
		for (const theme of THEMES) {
			const { units } = readPreferences(undefined);
			const chosen: Preferences = {
				theme,
				endPoint: 'first-hint',
				between: 'interval',
				trust: 'habit',
				unused: 'put-back',
				units: { ...units, alkalinity: 'mg-per-l-caco3', salinity: 'sg-25-25' }
			};
			expect(readPreferences(writePreferences(chosen))).toEqual(chosen);
		}
	});
	it('take nothing that is not offered, whatever the cookie says', () => {
		expect(readPreferences('theme:pink,alkalinity:mg-per-l').units.alkalinity).toBe('dkh');
		fc.assert(
			fc.property(fc.string(), (text) => {
				expect(THEMES).toContain(readPreferences(text).theme);
			})
		);
	});
});
