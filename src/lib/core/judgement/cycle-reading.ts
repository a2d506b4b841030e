import { stepInterval, type Method } from '../method/index.ts';
import { convert, PARAMETERS } from '../quantity/index.ts';
import { boundsOf, type TestResult } from '../reading/index.ts';
import type { Instant } from '../time/index.ts';
import type { CycleReading } from './cycle.ts';

/** What is taken to be clear where no colour is told, mg/L: the first colour of a usual card (husbandry convention). */
const CLEAR_WITHOUT_COLOURS = 0.1;

/**
 * A result of ammonia or nitrite as the cycle is followed by: with what its kit shows as none.
 *
 * @param method that it was read by
 * @returns null for another parameter
 */
export function cycleReadingOf(at: Instant, result: TestResult, method: Method): CycleReading | null {
	const { parameter } = result;
	if (parameter !== 'ammonia' && parameter !== 'nitrite') return null;
	const { lower, upper } = boundsOf(result);
	const reading = { at, parameter, lower, upper };
	if (method.kind !== 'colour-card' && method.kind !== 'comparator') {
		return { ...reading, clearUpTo: CLEAR_WITHOUT_COLOURS, seesFrom: CLEAR_WITHOUT_COLOURS };
	}
	const steps = method.colourSteps.map((s) => s.value);
	const canonical = (value: number) => convert(value, method.unit, PARAMETERS[parameter].canonicalUnit);
	const lowest = stepInterval(steps, method.spacing, { kind: 'on', index: 0 });
	const clearUpTo = canonical(lowest.ok && lowest.value.upper !== null ? lowest.value.upper : steps[0]!);
	const first = steps.find((s) => s > 0) ?? 0;
	return { ...reading, clearUpTo, seesFrom: Math.max(clearUpTo, canonical(first)) };
}
