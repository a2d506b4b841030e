import { convert } from '$lib/core/quantity';
import { deriveWith } from '$lib/core/reading';
import { freeAmmoniaShare, U_PK_AMMONIUM } from '$lib/core/seawater';
import { Simulation, type MeasurementModel } from '$lib/core/uncertainty';
import type { AmmoniaSetting, SimulationMessage, SimulationRequest } from './simulation.protocol';

/** Draws between two reports of progress. */
const PART = 20_000;

/** Total ammonia times its un-ionised share: bends strongly with pH, so that only a simulation tells its interval. */
function withFreeAmmonia(total: MeasurementModel, setting: AmmoniaSetting): MeasurementModel {
	const n = total.inputs.length;
	const { ph, temperatureC, salinity } = setting;
	return {
		inputs: [
			...total.inputs,
			{
				source: 'stated',
				repeats: 'random',
				shape: 'rectangular',
				mean: (ph.lower + ph.upper) / 2,
				u: (ph.upper - ph.lower) / Math.sqrt(12)
			},
			{ source: 'stated', repeats: 'random', shape: 'normal', mean: temperatureC.value, u: temperatureC.u },
			{ source: 'stated', repeats: 'random', shape: 'normal', mean: salinity.value, u: salinity.u },
			{ source: 'stated', repeats: 'common', shape: 'normal', mean: 0, u: U_PK_AMMONIUM }
		],
		evaluate(x) {
			const t = Math.min(40, Math.max(0, x[n + 1]!));
			const s = Math.min(42, Math.max(0, x[n + 2]!));
			const share = freeAmmoniaShare(x[n]! - x[n + 3]!, s, t);
			return convert(total.evaluate(x) * share, 'mg-per-l-nh4', 'mg-per-l-nh3');
		}
	};
}

/** The work of the worker, step by step, so that it can be stopped between two parts and tested without one. */
export function* runSimulation(request: SimulationRequest): Generator<SimulationMessage> {
	const derived = deriveWith(request.method, request.reading, request.kit ?? null);
	const own = derived.ok ? derived.value.outcomes[request.which]?.model : null;
	if (!own) {
		yield { kind: 'nothing' };
		return;
	}
	const model = request.freeAmmonia ? withFreeAmmonia(own, request.freeAmmonia) : own;
	const simulation = new Simulation(model, request.seed, request.draws);
	while (simulation.advance(PART)) yield { kind: 'progress', share: simulation.share };
	yield { kind: 'done', result: simulation.summary() };
}
