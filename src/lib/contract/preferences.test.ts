import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changePreferences, readPreferences, THEMES } from './preferences';
import { BRITISH } from './reader';

describe('preferences', () => {
	it('have defaults', () => {
		expect(readPreferences(undefined)).toMatchObject({
			theme: 'system',
			endPoint: 'full',
			between: 'interpolate',
			units: { alkalinity: 'dkh', salinity: 'psu', temperature: 'celsius' },
			reader: BRITISH
		});
	});
	it('come back from their cookie, each change beside what was chosen before', () => {
		let cookie: string | undefined;
		for (const change of [
			{ theme: 'dark' },
			{ endPoint: 'first-hint', between: 'interval', trust: 'habit', unused: 'put-back' },
			{ alkalinity: 'mg-per-l-caco3', salinity: 'sg-25-25' },
			{ dates: 'month', decimals: 'comma' },
			{ theme: 'light' }
		]) {
			cookie = changePreferences(cookie, Object.entries(change));
		}
		expect(readPreferences(cookie)).toMatchObject({
			theme: 'light',
			endPoint: 'first-hint',
			between: 'interval',
			trust: 'habit',
			unused: 'put-back',
			units: { alkalinity: 'mg-per-l-caco3', salinity: 'sg-25-25' },
			region: { dates: 'month', clock: 'browser', decimals: 'comma', volumes: 'browser' },
			reader: { ...BRITISH, dates: 'month', decimals: 'comma' }
		});
	});
	it('are as the browser has it until something is chosen', () => {
		const american = readPreferences(undefined, 'en-US,en;q=0.9');
		expect([american.reader, american.units.temperature]).toEqual([
			{ dates: 'month', clock: '12', decimals: 'point', volumes: 'us-gallons', temperatures: 'fahrenheit' },
			'fahrenheit'
		]);
		const chose = changePreferences('', [
			['volumes', 'litres'],
			['temperature', 'celsius']
		]);
		const own = readPreferences(chose, 'en-US');
		expect([own.reader.volumes, own.reader.dates, own.units.temperature]).toEqual([
			'litres',
			'month',
			'celsius'
		]);
		// Chosen for another screen, the rest still follows the browser.
		expect(readPreferences(changePreferences('', [['theme', 'dark']]), 'de-DE').reader.decimals).toBe(
			'comma'
		);
	});
	it('take nothing that is not offered, whatever the cookie says', () => {
		expect(readPreferences('theme:pink,alkalinity:mg-per-l').units.alkalinity).toBe('dkh');
		expect(
			changePreferences('theme:dark', [
				['theme', 'pink'],
				['back', '/x'],
				['__proto__', 'x'],
				['dates', 7]
			])
		).toBe('theme:dark');
		fc.assert(
			fc.property(fc.string(), fc.string(), (text, header) => {
				const read = readPreferences(text, header);
				expect(THEMES).toContain(read.theme);
				expect(['day', 'month', 'year']).toContain(read.reader.dates);
			})
		);
	});
});
