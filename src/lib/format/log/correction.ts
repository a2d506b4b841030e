import type { Method, StepStatement } from '$lib/core/method';
import { isUnitId, UNITS } from '$lib/core/quantity';
import type { EndPoint } from '$lib/core/reading';
import { ownIn } from '$lib/core/result';
import { END_POINT_NAMES, placeWords } from './reading.ts';

const LABELS: Readonly<Record<string, string>> = {
	readAs: 'What was read',
	lowerMl: 'Reading, mL',
	upperMl: 'to, if it was between two marks',
	unsure: 'Not sure of the mark',
	addedAfter: 'Of it, added after it was first called',
	portion: 'Sample',
	endPoint: 'Stopped at',
	least: 'Drops',
	most: 'to, if it was a range',
	bad: 'Bad drops among them',
	subtract: 'Calcium taken off, mg/L',
	at: 'Place among the steps',
	shown: 'On the display',
	range: 'It showed',
	lower: 'Reading',
	upper: 'to, if it was between two marks',
	temperatureC: 'Temperature, °C',
	value: 'Value',
	expandedU: 'its ± as stated, if any',
	limit: 'Limit',
	unit: 'Unit',
	dilution: 'Thinned'
};

/** What a field of a correction asks for. */
export function correctionLabel(method: Method, name: string): string {
	const parts = name.split('.');
	const own = ownIn(LABELS, parts.at(-1)!) ?? name;
	const unit = parts.at(-1) === 'shown' && method.kind === 'display' ? `, ${UNITS[method.unit].symbol}` : '';
	const which = parts[0] === 'first' ? 'First: ' : parts[0] === 'second' ? 'Second: ' : '';
	const filling =
		parts.includes('fills') && parts.at(-2) !== '0' ? ` (filling ${Number(parts.at(-2)) + 1})` : '';
	return `${which}${which ? own.charAt(0).toLowerCase() + own.slice(1) : own}${unit}${filling}`;
}

const OPTIONS: Readonly<Record<string, string>> = {
	left: 'what was left in the syringe',
	used: 'what was used',
	full: 'full',
	half: 'half',
	inside: 'a number',
	over: 'over its range',
	under: 'under its range'
};

/** How one choice of a correction is said. */
export function correctionOption(method: Method, field: string, value: string): string {
	if (field === 'endPoint') return END_POINT_NAMES[value as EndPoint];
	if (field === 'at' && (method.kind === 'colour-card' || method.kind === 'comparator')) {
		const [kind, index] = value.split(' ');
		return placeWords(
			method,
			(index === undefined ? { kind } : { kind, index: Number(index) }) as StepStatement
		);
	}
	if (field === 'unit' && isUnitId(value)) return UNITS[value].symbol;
	if (field === 'dilution') return value === '1' ? 'not thinned' : `1 in ${value}`;
	return ownIn(OPTIONS, value) ?? value;
}
