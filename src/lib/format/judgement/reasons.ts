import type { AgainstReference } from '$lib/core/judgement';
import type { ParameterToday } from '$lib/core/judgement/water';
import { nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { runSentence } from './matter.ts';
import { percent, plain } from '../number.ts';
import { bandInUnit, inUnit } from '../quantity.ts';
import { gradeWords } from './verdict.ts';

const AGREES = {
	agree: 'no difference beyond what both leave open',
	questionable: 'perhaps a difference',
	disagree: 'a real difference'
} as const;

/** "Natural sea water at S = 34.2 holds 405–413 mg/L: no difference beyond what both leave open." */
export function referenceSentence(
	parameter: ParameterId,
	{ reference, difference, agreement }: AgainstReference,
	unit: UnitId
): string {
	const symbol = UNITS[unit].symbol;
	const side = difference < 0 ? 'below' : 'above';
	const said = agreement === 'agree' ? AGREES.agree : `${AGREES[agreement]}, ${side} it`;
	switch (reference.kind) {
		case 'sea-water':
			return `Natural sea water at S = ${plain(Number(reference.salinity.toPrecision(3)))} holds ${seaRange(parameter, reference, unit)} ${symbol}: ${said}.`;
		case 'published':
			return `The usual band of ${nameWithinProfile(reference.name)} is ${bandInUnit(parameter, reference, unit)} ${symbol}: ${said}.`;
		case 'baseline': {
			const m = inUnit(parameter, reference.value, reference.u, unit);
			return `This water’s own start was ${m.value} ± ${m.plusMinus} ${symbol} (its first ${reference.readings} readings): ${said}.`;
		}
	}
}

const nameWithinProfile = (name: string) => `“${name.toLowerCase()}”`;

function seaRange(
	parameter: ParameterId,
	{ low, high }: { readonly low: number; readonly high: number },
	unit: UnitId
): string {
	const round = (x: number) => Number(x.toPrecision(3));
	return bandInUnit(parameter, { low: round(low), high: round(high) }, unit);
}

/** What a verdict rests on, line by line. */
export function reasonsOf(row: ParameterToday, unit: UnitId): readonly string[] {
	const { parameter, band, estimate, single, run, references } = row;
	const lines: string[] = [];
	const p = (estimate?.verdict ?? single)?.probabilities;
	if (band && p) {
		lines.push(
			`${estimate ? 'By the estimate' : 'By this one reading'} the chance of being inside ${bandInUnit(parameter, band, unit)} ${UNITS[unit].symbol} is ${percent(Math.max(0, p.pIn))}, below ${percent(p.pBelow)}, above ${percent(p.pAbove)}. The band: ${band.source}.`
		);
		if (!p.resolves) {
			lines.push(
				'The interval is wider than the band: what is read with this kit can never be told to be inside for certain. A finer kit, a larger sample or repeats narrow it.'
			);
		}
	}
	if (estimate && single?.grade) {
		lines.push(
			`The last reading alone says: ${gradeWords(single.grade, single.side).toLowerCase()}. The estimate rests on ${estimate.basedOn} readings.`
		);
	}
	if (row.urgency !== 'none') {
		lines.push(
			row.urgency === 'act'
				? `${PARAMETERS[parameter].name} is acted on from a chance of ${row.early ? '30 %' : '95 %'} of being outside.`
				: 'From a chance of 30 % of being outside it is watched.'
		);
	}
	if (row.going !== 'not-seen') {
		lines.push(
			row.going === 'better'
				? 'It moves towards where it is wanted.'
				: 'It moves away from where it is wanted.'
		);
	}
	if (run) lines.push(runSentence(parameter, run, unit));
	for (const against of references) lines.push(referenceSentence(parameter, against, unit));
	if (lines.length === 0)
		lines.push(`No band is set for ${nameWithin(parameter)}, and there is nothing to hold it against.`);
	return lines;
}
