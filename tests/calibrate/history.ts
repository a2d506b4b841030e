import { inputsOf } from '../../src/lib/core/balance/index.ts';
import type { ParameterId } from '../../src/lib/core/quantity/index.ts';
import { derive } from '../../src/lib/core/reading/index.ts';
import type { OrdinaryLife, SimulatedReading, WaterHistory } from '../../src/lib/core/tank/index.ts';
import { addDays, type Instant } from '../../src/lib/core/time/index.ts';
import type { History, Observation } from '../../src/lib/core/trend/index.ts';

/** What a keeper's readings say, parameter by parameter. */
export function observationsOf(readings: readonly SimulatedReading[]): Map<ParameterId, Observation[]> {
	const all = new Map<ParameterId, Observation[]>();
	readings.forEach(({ at, method, reading }, i) => {
		const derived = derive(method, reading);
		if (!derived.ok) return;
		for (const { result } of derived.value.outcomes) {
			const list = all.get(result.parameter) ?? [];
			list.push({ id: String(i), at, kit: method.code, result });
			all.set(result.parameter, list);
		}
	});
	return all;
}

/** What the estimate is given: the readings and what the keeper wrote down, never what really happened. */
export function historiesOf(
	life: OrdinaryLife,
	observed: Map<ParameterId, Observation[]>,
	now: Instant
): History[] {
	const events = life.logged.events.filter((e) => e.at <= now);
	return [...observed].map(([parameter, all]) => ({
		parameter,
		observations: all.filter((o) => o.at <= now),
		inputs: inputsOf(events, parameter, life.logged.netVolumeL, addDays(now, 30))
	}));
}

/** The true state at a moment, to the hour. */
export function stateAt(truth: WaterHistory, at: Instant) {
	const first = truth.states[0]!;
	const hour = Math.round((at - first.at) / 3_600_000);
	return truth.states[Math.min(truth.states.length - 1, Math.max(0, hour))]!;
}
