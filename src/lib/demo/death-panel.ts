import {
	ALK_SYRINGE,
	NH3_CARD,
	NO2_CARD,
	NO3_CARD,
	PH_CARD,
	SALINITY_GLASS,
	THERMOMETER
} from '$lib/core/method';
import { seededRandom } from '$lib/core/numeric';
import { CALM_READER, readBy, type WaterHistory } from '$lib/core/tank';
import { addSeconds, type Instant } from '$lib/core/time';
import type { DemoReading } from './story';

const SEED = 46;
const PANEL = [NH3_CARD, NO2_CARD, NO3_CARD, SALINITY_GLASS, THERMOMETER, ALK_SYRINGE, PH_CARD] as const;

/** Everything that a death asks for, tested the same evening. */
export function deathPanel(at: Instant, history: WaterHistory): DemoReading[] {
	const random = seededRandom(SEED);
	const { levels } = history.states.findLast((s) => s.at <= at)!;
	return PANEL.map((method, i) => ({
		at: addSeconds(at, 300 * i),
		method,
		reading: readBy(random, method, levels, CALM_READER)
	}));
}
