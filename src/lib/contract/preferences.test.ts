import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readPreferences, THEMES, writePreferences } from './preferences';

describe('preferences', () => {
	it('have defaults, and come back from their cookie', () => {
		const defaults = { theme: 'system', units: { alkalinity: 'dkh', calcium: 'mg-per-l' } } as const;
		expect(readPreferences(undefined)).toEqual(defaults);
		for (const theme of THEMES) {
			const chosen = { theme, units: { alkalinity: 'mg-per-l-caco3', calcium: 'mg-per-l' } } as const;
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
