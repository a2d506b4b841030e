import { describe, expect, it } from 'vitest';
import { NH3_CARD, NO3_CARD } from '$lib/core/method';
import type { StepReading } from '$lib/core/reading';
import { runSimulation } from './run-simulation';
import type { SimulationMessage, SimulationRequest } from './simulation.protocol';

const seen = (index: number): StepReading => ({
	form: 'step',
	portion: 'full',
	at: { kind: 'on', index },
	between: 'interpolate',
	blank: false
});
const request = (change: Partial<SimulationRequest> = {}): SimulationRequest => ({
	method: NO3_CARD,
	reading: seen(2),
	which: 0,
	freeAmmonia: null,
	draws: 50_000,
	seed: 5,
	...change
});
const last = (r: SimulationRequest): SimulationMessage => [...runSimulation(r)].at(-1)!;

describe('the work of the worker', () => {
	it('reports its progress and ends with the interval', () => {
		const messages = [...runSimulation(request())];
		expect(messages.map((m) => m.kind)).toEqual(['progress', 'progress', 'done']);
		const done = messages.at(-1)!;
		if (done.kind !== 'done') throw new Error();
		// On 8, between 3 and 15 on a geometric row: from √24 to √120.
		expect(done.result.lower).toBeGreaterThan(Math.sqrt(24));
		expect(done.result.upper).toBeLessThan(Math.sqrt(120) * 1.02);
	});
	it('can be stopped between two parts', () => {
		const messages = runSimulation(request({ draws: 500_000 }));
		expect(messages.next().value).toMatchObject({ kind: 'progress' });
		expect(messages.return(undefined).done).toBe(true);
	});
	it('has nothing to say of a bound, nor of what was not read', () => {
		expect(last(request({ reading: { ...seen(0), at: { kind: 'above' } } }))).toEqual({ kind: 'nothing' });
		expect(last(request({ which: 1 }))).toEqual({ kind: 'nothing' });
	});
	it('finds more un-ionised ammonia, and less surely, the higher and vaguer pH is', () => {
		const at = (lower: number, upper: number) => {
			const freeAmmonia = {
				ph: { lower, upper },
				temperatureC: { value: 25, u: 0.2 },
				salinity: { value: 35, u: 0.4 }
			};
			const done = last(request({ method: NH3_CARD, reading: seen(3), freeAmmonia }));
			if (done.kind !== 'done') throw new Error();
			return done.result;
		};
		const morning = at(7.9, 8);
		const evening = at(8.3, 8.4);
		expect(evening.mean).toBeGreaterThan(2 * morning.mean);
		expect(at(7.6, 8.6).upper - at(7.6, 8.6).lower).toBeGreaterThan(evening.upper - evening.lower);
	});
});
