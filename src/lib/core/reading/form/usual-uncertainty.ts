import type { Method } from '../../method/index.ts';
import { roundTo } from '../../numeric/index.ts';
import { convert, PARAMETERS } from '../../quantity/index.ts';
import { standardUncertaintyOf } from '../../uncertainty/index.ts';
import { derive } from './derive.ts';
import type { RawReading } from './raw-reading.ts';

/** So many marks of a syringe are tried, and so many drops. */
const MARKS = 40;
const MOST_DROPS = 80;

const indices = (count: number) => Array.from({ length: count }, (_, i) => i);

/** Readings all over what a kit can tell; none for kinds that one reading alone does not tell. */
function readingsOf(method: Method, value: number): readonly RawReading[] {
	switch (method.kind) {
		case 'syringe-titration': {
			const { meter } = method.titration;
			if (meter.kind !== 'syringe') return [];
			const { capacityMl, readAs } = meter;
			return indices(MARKS + 1).map((i) => {
				const at = (capacityMl * i) / MARKS;
				const fills = [{ startMl: capacityMl, end: { lowerMl: at, upperMl: at } }];
				return { form: 'syringe', portion: 'full', readAs, fills, sure: true };
			});
		}
		case 'drop-titration':
			return indices(MOST_DROPS).map((i) => ({ form: 'drops', portion: 'full', least: i, most: i, bad: 0 }));
		case 'colour-card':
		case 'comparator':
			return method.colourSteps.map((_, index) => ({
				form: 'step',
				portion: 'full',
				at: { kind: 'on', index },
				between: 'interpolate',
				blank: method.blank
			}));
		case 'display': {
			const inUnit = convert(value, PARAMETERS[method.parameter].canonicalUnit, method.unit);
			const shown = roundTo(inUnit, method.resolution);
			return [{ form: 'display', portion: 'full', shown, temperatureC: null }];
		}
		default:
			return [];
	}
}

/**
 * The expanded uncertainty that a value would have had, had it been read with a kit: of a number in a paper book, whose
 * marks and drops nobody wrote down. Between the readings that are tried it is taken to run straight.
 *
 * @param value canonical unit of the method's parameter
 * @returns U with k = 2, canonical unit; null where the kit cannot tell such a value, or not by one reading
 */
export function usualExpandedU(method: Method, value: number): number | null {
	const told = readingsOf(method, value).flatMap((reading) => {
		const derived = derive(method, reading);
		const result = derived.ok ? derived.value.outcomes[0].result : null;
		if (!result || result.kind === 'bound') return [];
		const at = result.kind === 'interval' ? result.best : result.value;
		return at === null ? [] : [{ at, u: standardUncertaintyOf(result) }];
	});
	told.sort((a, b) => a.at - b.at);
	if (told.length === 1 && method.kind === 'display') return 2 * told[0]!.u;
	const upper = told.findIndex((t) => t.at >= value);
	if (upper < 0) return null;
	const [a, b] = [told[Math.max(0, upper - 1)]!, told[upper]!];
	// The lowest step of a card reaches down as far as the one above it is away.
	const reach = told.length > 1 ? told[1]!.at - told[0]!.at : 0;
	if (value < a.at - reach) return null;
	const share = b.at > a.at ? (value - a.at) / (b.at - a.at) : 1;
	return 2 * (a.u + share * (b.u - a.u));
}
