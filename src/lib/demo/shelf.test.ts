import { describe, expect, it } from 'vitest';
import { kitFinding } from '$lib/core/comparison';
import { ALK_METER, ALK_SYRINGE } from '$lib/core/method';
import { derive, pointOf } from '$lib/core/reading';
import { itemStateOf, type DatedNote } from '$lib/core/shelf';
import { daysBetween, fromIso } from '$lib/core/time';
import { lobbyReef } from './lobby-reef';
import { kitOf, libraryShelf, schoolShelf } from './shelf';

const now = fromIso('2026-11-23T18:20:00Z');
const shelf = libraryShelf(now);
const kits = shelf.things.filter((t) => t.row.kind === 'kit');
const stateOf = (key: string) =>
	itemStateOf(
		shelf.things
			.find((t) => t.key === key)!
			.notes.map(({ kind, at, details }) => ({ ...details, kind, at }) as unknown as DatedNote)
	);

describe('the shelf of the library', () => {
	it('has about fourteen lots, one past its date, one that ends in nine days, one that leaks', () => {
		const lots = shelf.things.filter((t) => t.row.kind === 'kit' || t.row.kind === 'standard');
		expect(lots.length).toBeGreaterThanOrEqual(13);
		expect(kits.every((t) => t.row.price !== null && t.row.boughtAt !== null)).toBe(true);
		expect(kits.filter((t) => t.row.expiresAt! < now)).toHaveLength(1);
		expect(
			kits.filter((t) => Math.round(daysBetween(now, t.row.expiresAt as typeof now)) === 9)
		).toHaveLength(1);
		expect(stateOf('alk-drops').droppers.B?.state).toBe('leaky');
	});
	it('tells which of the two kits is off: the display, not the syringe', () => {
		const findingOf = (key: string) => {
			const check = shelf.checks.find((c) => c.kit === key)!;
			const readings = check.readings.map((reading) => {
				const derived = derive(check.method, reading);
				if (!derived.ok) throw new Error(derived.fault.code);
				return derived.value.outcomes[0].result;
			});
			const found = kitFinding('alkalinity', [{ holds: { value: 8.1, u: 0.0405 }, readings }]);
			if (!found.ok) throw new Error(found.fault.code);
			return found.value;
		};
		expect(findingOf('alk-syringe').state).toBe('in-order');
		expect(findingOf('alk-meter')).toMatchObject({ state: 'far-off', correction: { kind: 'factor' } });
		expect(stateOf('alk-meter').retiredAt).not.toBeNull();
	});
	it('has twelve pairs in which the display reads higher than the syringe', () => {
		const { story } = lobbyReef(now);
		const display = story.readings.filter((r) => r.method === ALK_METER);
		expect(display).toHaveLength(12);
		const valueOf = (r: (typeof display)[number]) => {
			const derived = derive(r.method, r.reading);
			return derived.ok ? (pointOf(derived.value.outcomes[0].result)?.value ?? NaN) : NaN;
		};
		const higher = display.filter((r) => {
			const beside = story.readings.findLast((o) => o.method === ALK_SYRINGE && o.at <= r.at)!;
			return valueOf(r) > valueOf(beside);
		});
		expect(higher.length).toBeGreaterThanOrEqual(9);
		expect(display.every((r) => kitOf(shelf, r) === 'alk-meter')).toBe(true);
		expect(kitOf(schoolShelf(now), display[0]!)).toBeNull();
	});
});
