import { describe, expect, it } from 'vitest';
import { addDays, instant } from '$lib/core/time';
import { lightsIn, volumeIn, waterOfForm } from './water-form.ts';

const now = instant(Date.parse('2026-11-23T18:20:00Z'));
const context = { timeZone: 'Europe/Lisbon', now };
const ID = '01932f6e-0000-7000-8000-000000000001';
const formOf = (fields: Record<string, string>) => {
	const form = new FormData();
	for (const [name, value] of Object.entries(fields)) form.set(name, value);
	return form;
};
const water = (fields: Record<string, string>) =>
	waterOfForm(formOf({ id: ID, name: 'Kitchen reef', ...fields }), context);

describe('a water as its keeper tells of it', () => {
	it('may be its name alone; nothing else is made up, and animals are taken to be there', () => {
		expect(water({})).toEqual({
			ok: true,
			value: {
				id: ID,
				name: 'Kitchen reef',
				kind: 'tank',
				profile: null,
				volume: null,
				lights: null,
				hasAnimals: true,
				startedAt: null
			}
		});
	});

	it('is reckoned from its glass, in centimetres or inches', () => {
		const cm = volumeIn(formOf({ long: '120', deep: '50', filled: '48', rock: 'usual' }));
		expect(cm).toEqual({ ok: true, value: { litres: 251, uL: expect.closeTo(17.7, 1) } });
		const inches = { long: '47.244', deep: '19.685', filled: '18.898', rock: 'usual', lengths: 'inch' };
		expect(volumeIn(formOf(inches))).toMatchObject({ ok: true, value: { litres: 251 } });
		expect(
			volumeIn(formOf({ long: '100', deep: '50', filled: '50', rock: 'none', sump: '60' }))
		).toMatchObject({
			value: { litres: 310 }
		});
	});

	it('is as sure as somebody says who knows its litres', () => {
		const u = (how: string) => volumeIn(formOf({ litres: '200', how }));
		expect(u('measured')).toMatchObject({ value: { litres: 200, uL: 8 } });
		expect(u('guessed')).toMatchObject({ value: { litres: 200, uL: 20 } });
	});

	it.each([
		[{ long: '120', deep: '50' }, 'filled', 'missing'],
		[{ long: '-1', deep: '50', filled: '48' }, 'long', 'above'],
		[{ long: 'x', deep: '50', filled: '48' }, 'long', 'number'],
		[{ long: '120', deep: '50', filled: '48', sump: '-5' }, 'sump', 'at-least'],
		[{ long: '120', deep: '50', filled: '48', rock: 'boulders' }, 'rock', 'word'],
		[{ litres: '0.1' }, 'volume.litres', 'at-least'],
		[{ litres: 'lots' }, 'volume.litres', 'number'],
		[{ lightsOn: '10:00' }, 'lightsOff', 'missing'],
		[{ lightsOn: '25:00', lightsOff: '20:00' }, 'lightsOn', 'time'],
		[{ startedAt: '2026-02-30' }, 'startedAt', 'date'],
		[{ runs: 'for ever' }, 'runs', 'word'],
		[{ profile: 'lava' }, 'profile', 'word'],
		[{ name: ' ' }, 'name', 'missing']
	] as [Record<string, string>, string, string][])('with %o is refused by name', (fields, field, rule) => {
		const refused = water(fields);
		const own = refused.ok ? null : refused.fault;
		expect(own?.field?.split('.').at(-1)).toBe(field.split('.').at(-1));
		expect(own?.details).toMatchObject({ rule });
	});

	it('runs since a day, or for about so long', () => {
		expect(water({ runs: 'a-year' })).toMatchObject({ value: { startedAt: addDays(now, -365) } });
		expect(water({ startedAt: '2025-01-05' })).toMatchObject({
			value: { startedAt: Date.parse('2025-01-05T00:00:00Z') }
		});
	});

	it('has light from a time to a time, as people type them', () => {
		expect(lightsIn(formOf({ lightsOn: '10:00', lightsOff: '8pm' }))).toEqual({
			ok: true,
			value: { onMinute: 600, offMinute: 1200 }
		});
		expect(lightsIn(formOf({}))).toEqual({ ok: true, value: null });
	});
});
