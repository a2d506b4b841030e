import { PARAMETERS, UNITS, convert, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { ArithmeticLine } from '$lib/core/reading';
import { COVERAGE, type UncertaintyComponent, type UncertaintySource } from '$lib/core/uncertainty';
import { fixed, measured, millilitres, plain } from './number.ts';

export interface LineInWords {
	readonly what: string;
	readonly sum: string;
}

/** The arithmetic line by line, each with its units. */
export function arithmeticWords(
	lines: readonly ArithmeticLine[],
	parameter: ParameterId,
	unit: UnitId
): readonly LineInWords[] {
	const fills = lines.filter((l) => l.kind === 'fill').length;
	let fill = 0;
	return lines.map((line) => {
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
			case 'half-last-drop':
				return {
					what: 'Less half the last drop, in which the colour turned',
					sum: `− ${plain(line.dropMl / 2)} = ${fixed(line.remainingMl, 4)} mL`
				};
			case 'worth': {
				const from = PARAMETERS[parameter].canonicalUnit;
				const symbol = UNITS[unit].symbol;
				const perMl = convert(line.perMl, from, unit);
				const value = convert(line.value, from, unit);
				const decimals = value >= 100 ? 1 : 3;
				return {
					what: `× what 1 mL is worth: ${plain(line.titrantMolPerL)} mol/L in ${plain(line.sampleMl)} mL of sample`,
					sum: `× ${Number(perMl.toPrecision(5))} ${symbol} per mL = ${fixed(value, decimals)} ${symbol}`
				};
			}
		}
	});
}

const SOURCES: Readonly<Record<UncertaintySource, { readonly name: string; readonly help: string }>> = {
	graduation: {
		name: 'reading the scale',
		help: 'A full sample makes each mark worth half as much as with a half sample.'
	},
	'last-drop': { name: 'the size of the last drop', help: 'Smaller drops near the end would narrow it.' },
	'end-point': {
		name: 'judging the end point',
		help: 'A repeat would narrow it: the mean of two is about a third closer.'
	},
	'reader-doubt': {
		name: 'your doubt about the mark',
		help: 'Reading again, at eye level, would take it away.'
	},
	'sample-volume': {
		name: 'the sample volume',
		help: 'It is the same on every test; a check on a standard shows it.'
	},
	titrant: {
		name: 'the strength of the titrant',
		help: 'It is the same on every test; a check on a standard shows it.'
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

export interface BudgetRow {
	readonly name: string;
	readonly expanded: string;
	/** Share of the variance, 0 to 1. */
	readonly share: number;
	readonly common: boolean;
}

/** The budget, largest first, each as the ± that it alone would give. */
export function budgetWords(
	components: readonly UncertaintyComponent[],
	parameter: ParameterId,
	unit: UnitId
): readonly BudgetRow[] {
	const total = components.reduce((sum, c) => sum + c.u * c.u, 0);
	const from = PARAMETERS[parameter].canonicalUnit;
	return [...components]
		.sort((a, b) => b.u - a.u)
		.map((c) => ({
			name: SOURCES[c.source].name,
			expanded: measured(0, COVERAGE * convert(c.u, from, unit)).plusMinus,
			share: (c.u * c.u) / total,
			common: c.repeats === 'common'
		}));
}
