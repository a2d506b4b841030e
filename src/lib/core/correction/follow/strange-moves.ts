import { isLine, type WaterEstimate } from '../../trend/index.ts';
import { dosedPerDay, type Lived } from '../dose/running.ts';
import { driftOf } from './drift.ts';
import { strangeMove, WATCHED_MOVES, type StrangeMove } from './strange-move.ts';

/** Two readings make a slope, three one that can be believed. */
const LEAST_READINGS = 3;

/** What of a water moves as no tank makes it move by itself. */
export function strangeMoves(judged: Lived & { readonly estimates: WaterEstimate }): StrangeMove[] {
	const dosed = dosedPerDay(judged);
	const found = WATCHED_MOVES.flatMap((parameter) => {
		const line = judged.estimates.of(parameter);
		if (!isLine(parameter, line) || line.basedOn < LEAST_READINGS) return [];
		return strangeMove(parameter, driftOf(line, judged.now), dosed[parameter] ?? 0) ?? [];
	});
	// The three are estimated together: what alkalinity tells, the others would only repeat.
	const told = found.some((m) => m.parameter === 'alkalinity');
	return found.filter((m) => !told || (m.parameter !== 'calcium' && m.parameter !== 'magnesium'));
}
