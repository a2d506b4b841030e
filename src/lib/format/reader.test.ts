import { afterEach, describe, expect, it } from 'vitest';
import { BRITISH, regionOf, usualFor, type Reader } from '$lib/contract/reader';
import { instant } from '$lib/core/time';
import { clockTime, longDay, shortDay } from './date';
import { fixed, grouped, plain } from './number';
import { readBy } from './reader';
import { temperatureWords } from './temperature';
import { understood } from './typed';
import { litresWords } from './volume';

const NOW = instant(Date.parse('2026-11-23T18:20:00Z'));
const ZONE = 'Europe/Berlin';
const as = (reader: Partial<Reader>) => readBy(() => ({ ...BRITISH, ...reader }));

afterEach(() => readBy(() => BRITISH));

describe('what is usual for a reader', () => {
	it.each([
		['en-GB,en;q=0.9', BRITISH],
		[
			'en-US,en;q=0.9',
			{ dates: 'month', clock: '12', decimals: 'point', volumes: 'us-gallons', temperatures: 'fahrenheit' }
		],
		[
			'de-DE,de;q=0.9,en;q=0.8',
			{ dates: 'day', clock: '24', decimals: 'comma', volumes: 'litres', temperatures: 'celsius' }
		],
		['de', { dates: 'day', clock: '24', decimals: 'comma', volumes: 'litres', temperatures: 'celsius' }],
		['sv-SE', { dates: 'year', clock: '24', decimals: 'comma', volumes: 'litres', temperatures: 'celsius' }],
		['ja', { dates: 'year', clock: '24', decimals: 'point', volumes: 'litres', temperatures: 'celsius' }],
		['en-AU', { dates: 'day', clock: '12', decimals: 'point', volumes: 'litres', temperatures: 'celsius' }],
		// Who does not say where, or says nothing that can be read, reads as the words are written.
		['en', BRITISH],
		['*', BRITISH],
		['', BRITISH],
		[null, BRITISH],
		['x'.repeat(5000), BRITISH],
		['%%%;;,', BRITISH]
	])('is read off %j', (header, expected) => {
		expect(usualFor(header)).toEqual(expected);
	});
	it('knows the region by the language alone, but not of English', () => {
		expect([regionOf('fr'), regionOf('en'), regionOf('pt-BR')]).toEqual(['FR', '', 'BR']);
	});
});

describe('days, times, numbers and volumes', () => {
	it('stand as the reader has them, in British words', () => {
		expect([shortDay(NOW, ZONE, NOW), longDay(NOW, ZONE), clockTime(NOW, ZONE)]).toEqual([
			'Mon 23 Nov',
			'Monday 23 November',
			'19:20'
		]);
		as({ dates: 'month', clock: '12', volumes: 'us-gallons' });
		expect([shortDay(NOW, ZONE, NOW), longDay(NOW, ZONE), clockTime(NOW, ZONE)]).toEqual([
			'Mon Nov 23',
			'Monday November 23',
			'7:20 pm'
		]);
		expect(litresWords(560)).toBe('148 US gal');
		as({ temperatures: 'fahrenheit' });
		expect(temperatureWords(25)).toBe('77 °F');
		as({ dates: 'year', decimals: 'comma' });
		expect(shortDay(NOW, ZONE, instant(NOW + 400 * 86_400_000))).toBe('Mon 2026 Nov 23');
		expect([fixed(-8.25, 2), plain(1.0254), litresWords(37.5)]).toEqual(['−8,25', '1,0254', '37,5 L']);
	});
	it('groups thousands by a space, which means nothing else anywhere', () => {
		expect(grouped(200_000)).toBe('200\u202f000');
	});
});

describe('what was typed', () => {
	it('is said again where it could mean two things', () => {
		expect(understood('1,025')).toBe('Understood as 1.025, not as 1025.');
		expect(understood('412')).toBe('');
		expect(understood('8.1')).toBe('');
		expect(understood('1.025')).toBe('');
		as({ decimals: 'comma' });
		expect(understood('1.025')).toBe('Understood as 1,025, not as 1025.');
		expect(understood('1,025')).toBe('');
		expect(understood('0.250')).toBe('');
	});
});
