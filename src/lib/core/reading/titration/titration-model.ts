import { worthAt, type Titration } from '../../method/index.ts';
import type { InputQuantity, MeasurementModel } from '../../uncertainty/index.ts';
import type { TitrationKit, TitrationLooks, TitrationSample } from './titration-budget.ts';

/** Standard uncertainty of something evenly spread over a width of 1. */
const RECT = Math.sqrt(1 / 12);

/** What makes the volume that was read uncertain, one summand each. */
function volumeInputs(kit: TitrationKit, looks: TitrationLooks): InputQuantity[] {
	const { increment } = kit;
	const lastDrop = { source: 'last-drop', shape: 'rectangular', u: increment * RECT } as const;
	const parts: readonly (Pick<InputQuantity, 'source' | 'shape' | 'u'> &
		Partial<Pick<InputQuantity, 'mean' | 'repeats'>>)[] = [
		// Two looks per filling or more: their sum is close to normal, but for one filling it is a triangle.
		{ source: 'graduation', shape: 'triangular', u: Math.sqrt(looks.squaredWidths) * RECT },
		{ source: 'between-readings', shape: 'rectangular', u: looks.rangeWidth * RECT },
		{ ...lastDrop, mean: kit.midpoint ? -increment / 2 : 0 },
		...Array.from({ length: looks.bad }, () => ({
			...lastDrop,
			source: 'bad-drops' as const,
			mean: -increment / 2
		})),
		{ source: 'end-point', shape: 'normal', u: looks.ownEndPointU ?? kit.endPointU },
		{ source: 'own-scale', shape: 'normal', u: looks.uOwnScale },
		{ source: 'own-bias', shape: 'normal', u: looks.uOwnShift, mean: looks.ownShift, repeats: 'common' },
		{ source: 'end-point-habit', shape: 'rectangular', u: looks.uShift, mean: looks.shift },
		{ source: 'reader-doubt', shape: 'rectangular', u: looks.doubtHalfWidth / Math.sqrt(3) }
	];
	return parts
		.map(({ mean = 0, repeats = 'random', ...part }): InputQuantity => ({ ...part, mean, repeats }))
		.filter(({ u, mean }) => u > 0 || mean !== 0);
}

/** What makes titrant or excess stand for more or less, one factor each. */
function scaleInputs({ onTitrant, onExcess }: TitrationKit) {
	const factor = { repeats: 'common', mean: 1 } as const;
	return [
		...onTitrant.map(({ source, relativeU: u }) => ({
			on: 'titrant' as const,
			input: { ...factor, source, shape: 'rectangular' as const, u }
		})),
		...onExcess.map(({ source, relativeU: u }) => ({
			on: 'excess' as const,
			input: { ...factor, source, shape: 'normal' as const, u }
		}))
	];
}

/** What concerns the result as a whole: the sample, the chart, and the factor that a check found. */
function wholeInputs(kit: TitrationKit): InputQuantity[] {
	const sampleU = kit.sampleToleranceMl / kit.sampleMl / Math.sqrt(3);
	const { chartStep, factor, factorRelativeU } = kit;
	return [
		{ source: 'sample-volume', repeats: 'common', shape: 'rectangular', mean: 1, u: sampleU },
		{ source: 'chart-rounding', repeats: 'common', shape: 'rectangular', mean: 0, u: chartStep * RECT },
		{ source: 'factor', repeats: 'common', shape: 'normal', mean: factor, u: factor * factorRelativeU }
	];
}

/**
 * The same titration as a model of uncertain inputs, for simulation: an independent way to the budget, which also
 * sees what bends (a leaflet's table) and what is cut off (nothing holds less than nothing).
 */
export function titrationModel(
	titration: Titration,
	sample: TitrationSample,
	kit: TitrationKit,
	looks: TitrationLooks
): MeasurementModel {
	const volumes = volumeInputs(kit, looks);
	const scales = scaleInputs(kit);
	const firstScale = volumes.length;
	const afterScales = firstScale + scales.length;
	const table = titration.worth.by === 'table';
	return {
		inputs: [...volumes, ...scales.map((s) => s.input), ...wholeInputs(kit)],
		evaluate(x) {
			let volume = looks.volume;
			for (let i = 0; i < firstScale; i++) volume += x[i]!;
			volume = Math.max(0, volume);
			let titrant = 1;
			let excess = 1;
			for (let i = firstScale; i < afterScales; i++) {
				if (scales[i - firstScale]!.on === 'titrant') titrant *= x[i]!;
				else excess *= x[i]!;
			}
			let y: number;
			if (table) {
				const line = worthAt(titration, volume * titrant, sample.ml, sample.fullMl);
				y = 'sense' in line ? line.limit : line.atZero + line.perUnit * volume * titrant;
			} else {
				y = kit.atZero * excess + kit.perUnit * volume * titrant;
			}
			// A sample drawn too large holds more than is reckoned with: the result is high in proportion.
			return Math.max(0, (y * x[afterScales]! + x[afterScales + 1]!) * x[afterScales + 2]!);
		}
	};
}
