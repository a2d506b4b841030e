import type { KitCorrection } from '$lib/core/method';
import { convert, convertSpan, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { ArithmeticLine } from '$lib/core/reading';
import { COVERAGE, type UncertaintyComponent, type UncertaintySource } from '$lib/core/uncertainty';
import { fixed, measured, millilitres, plain } from '../number.ts';
import { END_POINT_NAMES } from '../log/reading.ts';
import { temperatureWords } from '../temperature.ts';

export interface LineInWords {
	readonly what: string;
	readonly sum: string;
}

type Worth = Extract<ArithmeticLine, { kind: 'worth' }>;

const meterUnit = (meter: 'syringe' | 'drops') => (meter === 'drops' ? 'drops' : 'mL');

/** A value with the decimals that a reckoner would write. */
function reckoned(value: number): string {
	const size = Math.abs(value);
	return fixed(value, size >= 100 ? 1 : size >= 1 ? 2 : 4);
}

function worthSource({ worth, sampleMl, meter }: Worth): string {
	const one = meter === 'drops' ? '1 drop' : '1 mL';
	switch (worth.by) {
		case 'titrant':
			return `what ${one} is worth: ${plain(worth.molPerL)} mol/L in ${plain(sampleMl)} mL of sample`;
		case 'excess':
			return `what the ${plain(worth.excessMl)} mL of ${plain(worth.excessMolPerL)} mol/L could bind, less what was titrated back`;
		case 'line':
			return `the leaflet’s factor for ${one}, in ${plain(sampleMl)} mL of sample`;
		case 'table':
			return `the leaflet’s table, straight between its rows`;
	}
}

/** What a correction does to a reading, to stand behind it: "× 0.946", "− 0.12 dKH". */
export function correctionWords(correction: KitCorrection, parameter: ParameterId, unit: UnitId): string {
	const from = PARAMETERS[parameter].canonicalUnit;
	const shown = (value: number) => `${reckoned(convert(value, from, unit))} ${UNITS[unit].symbol}`.trim();
	switch (correction.kind) {
		case 'factor':
			return `× ${fixed(correction.factor, 3)}`;
		case 'offset': {
			const moved = convertSpan(correction.offset, from, unit);
			return `${moved < 0 ? '−' : '+'} ${reckoned(Math.abs(moved))} ${UNITS[unit].symbol}`.trim();
		}
		case 'line':
			return `on the line through the standards of ${shown(correction.low.value)} and ${shown(correction.high.value)}`;
	}
}

/** The arithmetic line by line, each with its units. */
export function arithmeticWords(
	lines: readonly ArithmeticLine[],
	parameter: ParameterId,
	unit: UnitId
): readonly LineInWords[] {
	const fills = lines.filter((l) => l.kind === 'fill').length;
	const symbol = UNITS[unit].symbol;
	const from = PARAMETERS[parameter].canonicalUnit;
	const shown = (value: number) => `${reckoned(convert(value, from, unit))} ${symbol}`;
	let fill = 0;
	return lines.map((line): LineInWords => {
		switch (line.kind) {
			case 'fill':
				fill++;
				return {
					what: fills > 1 ? `Filling ${fill}, used` : 'Used',
					sum:
						line.readAs === 'used'
							? `${millilitres(line.usedMl)} mL, as read`
							: `${millilitres(line.startMl)} − ${millilitres(line.endMl)} = ${millilitres(line.usedMl)} mL`
				};
			case 'total':
				return { what: 'Used in all', sum: `${millilitres(line.usedMl)} mL` };
			case 'drops':
				return {
					what: line.least === line.most ? 'Counted' : 'Counted, the middle of the range',
					sum:
						(line.least === line.most
							? `${line.least} drops`
							: `(${line.least} + ${line.most}) / 2 = ${plain((line.least + line.most) / 2)} drops`) +
						(line.bad > 0 ? `, less half of each of ${line.bad} bad` : '')
				};
			case 'half-last-drop':
				return {
					what: 'Less half the last drop, in which the colour turned',
					sum: `− ${plain(line.drop / 2)} = ${fixed(line.remaining, line.meter === 'drops' ? 2 : 4)} ${meterUnit(line.meter)}`
				};
			case 'habit':
				return {
					what: `Stopped at ${END_POINT_NAMES[line.endPoint]}; brought to the first full colour (in the line above)`,
					sum: `${line.shift > 0 ? '+' : '−'} ${plain(Math.abs(line.shift))} ${meterUnit(line.meter)}`
				};
			case 'own-eye':
				return {
					what: 'Less how far from the change you stop on average (in the line above)',
					sum: `${line.shift < 0 ? '−' : '+'} ${plain(Number(Math.abs(line.shift).toPrecision(2)))} ± ${plain(Number((2 * line.u).toPrecision(2)))} ${meterUnit(line.meter)}`
				};
			case 'own-scale':
				return {
					what: 'Less how far from the mark you read on average',
					sum: `${line.shift < 0 ? '−' : '+'} ${plain(Number(Math.abs(line.shift).toPrecision(2)))} ± ${plain(Number((2 * line.u).toPrecision(2)))} on the scale`
				};
			case 'worth': {
				const per = Number(convertSpan(line.perUnit, from, unit).toPrecision(5));
				const one = line.meter === 'drops' ? 'drop' : 'mL';
				const start = line.atZero === 0 ? '×' : `${reckoned(convertSpan(line.atZero, from, unit))} +`;
				const volume = line.atZero === 0 ? '' : ` ${fixed(line.volume, 4)} ×`;
				return {
					what: `${line.atZero === 0 ? '× ' : 'By '}${worthSource(line)}`,
					sum: `${start}${volume} ${plain(per) === '0' ? per : String(per).replace('-', '−')} ${symbol} per ${one} = ${shown(line.value)}`
				};
			}
			case 'subtract':
				return {
					what:
						line.weight === 1
							? 'Less calcium, milligram for milligram as the leaflet has it'
							: 'Less calcium by moles: 24.305 / 40.078 of its milligrams',
					sum: `${reckoned(line.total)} − ${fixed(line.weight, line.weight === 1 ? 0 : 4)} × ${reckoned(line.subtracted)} = ${shown(line.value)}`
				};
			case 'step': {
				const at = UNITS[line.unit].symbol;
				return {
					what: 'The place among the steps leaves open',
					sum:
						line.upper === null
							? `more than ${plain(line.lower)} ${at}`
							: `${plain(Number(line.lower.toPrecision(3)))} to ${plain(Number(line.upper.toPrecision(3)))} ${at}`
				};
			}
			case 'display':
				return {
					what: 'Shown, in the unit you like',
					sum:
						typeof line.shown === 'number'
							? `${plain(line.shown)} ${UNITS[line.unit].symbol} = ${shown(line.value)}`
							: `${line.shown} the range, at ${shown(line.value)}`
				};
			case 'scale':
				return {
					what: `Salinity of water of that specific gravity (${plain(line.waterC)}/${plain(line.referenceC)} °C scale, water at ${temperatureWords(line.temperatureC)})`,
					sum: `${fixed((line.lower + line.upper) / 2, 4)} = ${shown(line.value)}`
				};
			case 'thermometer':
				return {
					what: line.lower === line.upper ? 'Read' : 'Read between two marks',
					sum: `${plain((line.lower + line.upper) / 2)} °C`
				};
			case 'dilution':
				return {
					what: `× the dilution, 1:${plain(Number(line.factor.toPrecision(4)))}`,
					sum: `${shown(line.measured)} → ${shown(line.value)}`
				};
			case 'stated':
				return {
					what: `Stated by ${line.source}`,
					sum: line.assumedU ? 'no uncertainty stated; 5 % taken' : 'with its own uncertainty'
				};
			case 'check':
				return {
					what: `Corrected by the kit’s check`,
					sum: `${shown(line.read)} ${correctionWords(line.correction, line.parameter, unit)} = ${shown(line.value)}`
				};
		}
	});
}

const STANDARD = 'It is the same on every test; a check on a standard shows it.';

const SOURCES: Readonly<Record<UncertaintySource, { readonly name: string; readonly help: string }>> = {
	graduation: {
		name: 'reading the scale',
		help: 'A finer scale or, where there is one, a full sample would narrow it.'
	},
	'between-readings': {
		name: 'the range you gave',
		help: 'A repeat with single drops near the end would narrow it.'
	},
	'last-drop': { name: 'the size of the last drop', help: 'Smaller drops near the end would narrow it.' },
	'bad-drops': { name: 'the bad drops', help: 'A repeat without them would take it away.' },
	'end-point': {
		name: 'judging the end point',
		help: 'A repeat would narrow it: the mean of two is about a third closer.'
	},
	'end-point-habit': {
		name: 'your habit at the end point',
		help: 'Stopping at the first full colour would take it away.'
	},
	'own-bias': {
		name: 'what is not known of where you stop',
		help: 'More vials in Practice, and blind readings of standards, would narrow it.'
	},
	'own-scale': {
		name: 'your look at the scale',
		help: 'Reading at eye level, and practice on that scale, would narrow it.'
	},
	'reader-doubt': {
		name: 'your doubt about the mark',
		help: 'Reading again, at eye level, would take it away.'
	},
	'first-end-point': {
		name: 'where the first titration ended',
		help: 'What is overdone there is missing here; stop at the first full colour.'
	},
	'step-spacing': {
		name: 'the distance between colour steps',
		help: 'A kit with closer steps, or a second reader, would narrow it.'
	},
	resolution: { name: 'the last digit of the display', help: 'It is as fine as the display.' },
	accuracy: {
		name: 'the accuracy of the instrument',
		help: 'A check on a standard shows the part that is always the same.'
	},
	temperature: { name: 'the temperature', help: 'A better thermometer would narrow it.' },
	'scale-calibration': { name: 'the scale itself', help: STANDARD },
	'subtracted-ion': { name: 'the calcium that is taken off', help: 'A repeat of calcium would narrow it.' },
	stated: { name: 'what was stated with it', help: 'Only its source could narrow it.' },
	'sample-volume': { name: 'the sample volume', help: STANDARD },
	dilution: { name: 'the dilution', help: 'Larger volumes of both waters would narrow it.' },
	titrant: { name: 'the strength of the titrant', help: STANDARD },
	'drop-size': {
		name: 'the size of the drops',
		help: 'Weighing twenty drops of this bottle would narrow it.'
	},
	'excess-reagent': { name: 'the reagent added in excess', help: STANDARD },
	filtrate: { name: 'the part of the filtrate', help: STANDARD },
	deviation: {
		name: 'steps that were not done as written',
		help: 'A test with every step as written would narrow it.'
	},
	'chart-rounding': { name: 'the steps of the table', help: 'The factor is finer than the printed table.' },
	factor: { name: 'the kit’s factor', help: 'A better standard would narrow it.' }
};

export function sourceName(source: UncertaintySource): string {
	return SOURCES[source].name;
}

export function sourceHelp(source: UncertaintySource): string {
	return SOURCES[source].help;
}

const HALVED: ReadonlySet<UncertaintySource> = new Set([
	'graduation',
	'last-drop',
	'end-point',
	'reader-doubt',
	'bad-drops',
	'between-readings'
]);

/** With half a sample there is one thing more that would help. */
export function halfSampleHelp(source: UncertaintySource): string {
	return HALVED.has(source)
		? `A full sample would halve this. ${SOURCES[source].help}`
		: SOURCES[source].help;
}

export interface BudgetRow {
	readonly name: string;
	readonly expanded: string;
	/** Share of the variance, 0 to 1. */
	readonly share: number;
	readonly common: boolean;
}

/**
 * The budget, largest first, each as the ± that it alone would give.
 *
 * @param coverage what the ± of the whole is of its standard uncertainty
 */
export function budgetWords(
	components: readonly UncertaintyComponent[],
	parameter: ParameterId,
	unit: UnitId,
	coverage = COVERAGE
): readonly BudgetRow[] {
	const total = components.reduce((sum, c) => sum + c.u * c.u, 0);
	const from = PARAMETERS[parameter].canonicalUnit;
	return [...components]
		.sort((a, b) => b.u - a.u)
		.map((c) => ({
			name: SOURCES[c.source].name,
			expanded: measured(0, coverage * convertSpan(c.u, from, unit)).plusMinus,
			share: (c.u * c.u) / total,
			common: c.repeats === 'common'
		}));
}
