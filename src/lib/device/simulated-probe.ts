import { normalDeviate, roundTo, seededRandom } from '$lib/core/numeric';
import { fail, ok, type Result } from '$lib/core/result';
import type { Clock } from '$lib/core/time';
import { readFrame, writeFrame } from './frame.ts';
import type { Device, ProbeSession } from './port.ts';
import type { Mishap } from './simulated-photometer.ts';

export interface SimulatedProbeOptions {
	readonly clock: Clock;
	readonly seed: number;
	/** What it will show at rest, and the temperature beside it. */
	readonly holds: () => { readonly value: number; readonly temperatureC: number };
	readonly resolution: number;
	/** From the air into the water: where it starts. */
	readonly startsAt: number;
	readonly mishap: () => Mishap;
}

/** It comes to rest in about a minute. */
const SETTLING_S = 12;

/** A probe for temperature or pH that is none: it creeps to its value, drifts a little, loses its connection. */
export function simulatedProbe(options: SimulatedProbeOptions): Device<ProbeSession> {
	const random = seededRandom(options.seed);
	return {
		name: 'Simulated probe',
		simulated: true,
		connect() {
			if (options.mishap() === 'not-there') return Promise.resolve(fail('device-not-there'));
			const startedAt = options.clock.now();
			let lost = false;
			const read: ProbeSession['read'] = () => {
				if (options.mishap() === 'lost') lost = true;
				if (lost) return Promise.resolve(fail('device-lost'));
				const { value, temperatureC } = options.holds();
				const left = Math.exp(-(options.clock.now() - startedAt) / 1000 / SETTLING_S);
				const away = (options.startsAt - value) * left;
				const { resolution } = options;
				const shown = roundTo(normalDeviate(random, value + away, resolution / 4), resolution);
				const line = writeFrame({ kind: 'value', values: [shown, roundTo(temperatureC, 0.1)] });
				const frame = readFrame(options.mishap() === 'nonsense' ? line.toLowerCase() : line);
				return Promise.resolve(probeReading(frame, Math.abs(away) < resolution));
			};
			return Promise.resolve(ok({ read, close: () => (lost = true) }));
		}
	};
}

function probeReading(
	frame: ReturnType<typeof readFrame>,
	settled: boolean
): Result<{ shown: number; temperatureC: number; settled: boolean }> {
	if (!frame.ok) return frame;
	const { value } = frame;
	if (value.kind !== 'value' || value.values.length !== 2) return fail('device-nonsense');
	return ok({ shown: value.values[0]!, temperatureC: value.values[1]!, settled });
}
