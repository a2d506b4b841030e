import { worthAt, type Titration } from '../../method/index.ts';
import type { InputQuantity, MeasurementModel } from '../../uncertainty/index.ts';
import type { TitrationKit, TitrationLooks, TitrationSample } from './titration-budget.ts';

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
	const volumes: InputQuantity[] = [];
	const scales: { input: InputQuantity; on: 'titrant' | 'excess' }[] = [];
	const addVolume = (
		source: InputQuantity['source'],
		shape: InputQuantity['shape'],
		u: number,
		mean = 0
	): void => {
		if (u > 0 || mean !== 0) volumes.push({ source, repeats: 'random', shape, mean, u });
	};
	const rect = Math.sqrt(1 / 12);
	// Two looks per filling or more: their sum is close to normal, but for one filling it is a triangle.
	addVolume('graduation', 'triangular', Math.sqrt(looks.squaredWidths) * rect);
	addVolume('between-readings', 'rectangular', looks.rangeWidth * rect);
	addVolume('last-drop', 'rectangular', kit.increment * rect, kit.midpoint ? -kit.increment / 2 : 0);
	for (let i = 0; i < looks.bad; i++) {
		addVolume('bad-drops', 'rectangular', kit.increment * rect, -kit.increment / 2);
	}
	addVolume('end-point', 'normal', kit.endPointU);
	addVolume('end-point-habit', 'rectangular', looks.uShift, looks.shift);
	addVolume('reader-doubt', 'rectangular', looks.doubtHalfWidth / Math.sqrt(3));
	for (const { source, relativeU } of kit.onTitrant) {
		scales.push({
			input: { source, repeats: 'common', shape: 'rectangular', mean: 1, u: relativeU },
			on: 'titrant'
		});
	}
	for (const { source, relativeU } of kit.onExcess) {
		scales.push({
			input: { source, repeats: 'common', shape: 'normal', mean: 1, u: relativeU },
			on: 'excess'
		});
	}
	const sampleU = kit.sampleToleranceMl / kit.sampleMl / Math.sqrt(3);
	const inputs: InputQuantity[] = [
		...volumes,
		...scales.map((s) => s.input),
		{ source: 'sample-volume', repeats: 'common', shape: 'rectangular', mean: 1, u: sampleU },
		{ source: 'chart-rounding', repeats: 'common', shape: 'rectangular', mean: 0, u: kit.chartStep * rect },
		{
			source: 'factor',
			repeats: 'common',
			shape: 'normal',
			mean: kit.factor,
			u: kit.factor * kit.factorRelativeU
		}
	];
	const firstScale = volumes.length;
	const afterScales = firstScale + scales.length;
	const table = titration.worth.by === 'table';
	return {
		inputs,
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
