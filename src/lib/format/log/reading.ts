import { UNITS } from '$lib/core/quantity';
import type { ColourMethod, Method, StepStatement } from '$lib/core/method';
import type { DropMarks, EndPoint, RawReading, SyringeMarks } from '$lib/core/reading';
import { fixed, millilitres, plain } from '../number.ts';
import { temperatureWords } from '../temperature.ts';

export const END_POINT_NAMES: Readonly<Record<EndPoint, string>> = {
	full: 'first full colour',
	'first-hint': 'first hint of it',
	'one-more-counted': 'one drop more, counted',
	'one-more-left-out': 'one drop more, not counted'
};

/** "watched again: it stood", "watched again: 2 drops more"; empty where it was not. */
export function watchedWords(addedAfter: number | undefined, unit: 'drops' | 'mL'): string {
	if (addedAfter === undefined) return '';
	if (addedAfter === 0) return 'watched again: it stood';
	if (unit === 'mL') return `watched again: ${millilitres(addedAfter)} mL more`;
	return `watched again: ${addedAfter} ${addedAfter === 1 ? 'drop' : 'drops'} more`;
}

function syringeWords({ readAs, fills, sure, addedAfter }: SyringeMarks): string {
	const ends = fills.map(({ end }) =>
		end.lowerMl === end.upperMl
			? millilitres(end.lowerMl)
			: `${millilitres(end.lowerMl)} to ${millilitres(end.upperMl)}`
	);
	return [
		`${ends.join(' + ')} mL ${readAs}`,
		fills.length > 1 ? `${fills.length} fillings` : '',
		sure ? '' : 'not sure',
		watchedWords(addedAfter, 'mL')
	]
		.filter(Boolean)
		.join(', ');
}

function dropWords({ least, most, bad, loads = 1, addedAfter }: DropMarks): string {
	const count = least === most ? `${least}` : `${least} to ${most}`;
	return [
		`${count} ${count === '1' ? 'drop' : 'drops'}`,
		bad > 0 ? `${bad} of them bad` : '',
		loads > 1 ? `the syringe loaded ${loads} times` : '',
		watchedWords(addedAfter, 'drops')
	]
		.filter(Boolean)
		.join(', ');
}

/** "on 8", "between 3 and 8, nearer 8", "paler than 3", "darker than 60" */
export function placeWords(method: ColourMethod, at: StepStatement): string {
	const value = (i: number) => plain(method.colourSteps[i]?.value ?? 0);
	const last = method.colourSteps.length - 1;
	switch (at.kind) {
		case 'below':
			return `beyond the lowest step, ${value(0)}`;
		case 'above':
			return `beyond the highest step, ${value(last)}`;
		case 'on':
			return `on ${value(at.index)}`;
		case 'between':
			return `between ${value(at.index)} and ${value(at.index + 1)}`;
		case 'nearer_lower':
			return `between ${value(at.index)} and ${value(at.index + 1)}, nearer ${value(at.index)}`;
		case 'nearer_upper':
			return `between ${value(at.index)} and ${value(at.index + 1)}, nearer ${value(at.index + 1)}`;
	}
}

function lineWords(method: Method, lower: number, upper: number, temperatureC: number | null): string {
	const isThermometer = method.kind === 'thermometer';
	const decimals = isThermometer ? 1 : 3;
	const ends =
		lower === upper ? fixed(lower, decimals) : `${fixed(lower, decimals)} to ${fixed(upper, decimals)}`;
	if (isThermometer) return `${ends} °C`;
	return `${ends}${temperatureC === null ? '' : ` at ${temperatureWords(temperatureC)}`}`;
}

function bodyWords(method: Method, reading: RawReading): string {
	switch (reading.form) {
		case 'syringe':
			return syringeWords(reading);
		case 'drops':
			return dropWords(reading);
		case 'pair':
			return `${syringeWords(reading.first)}, then ${syringeWords(reading.second)}`;
		case 'difference':
			return `${dropWords(reading)}, less ${plain(Math.round(reading.subtract.value))} mg/L calcium`;
		case 'step': {
			if (method.kind !== 'colour-card' && method.kind !== 'comparator') return '';
			const second = reading.second ? `; second reader ${placeWords(method, reading.second)}` : '';
			return `${placeWords(method, reading.at)}${second}`;
		}
		case 'display': {
			const unit = method.kind === 'display' ? UNITS[method.unit].symbol : '';
			const at = reading.temperatureC === null ? '' : ` at ${temperatureWords(reading.temperatureC)}`;
			return typeof reading.shown === 'number'
				? `${plain(reading.shown)} ${unit}${at}`
				: `“${reading.shown}”`;
		}
		case 'line':
			return lineWords(method, reading.lower, reading.upper, reading.temperatureC);
		case 'stated': {
			const { says } = reading;
			const unit = UNITS[reading.unit].symbol;
			const said =
				says.kind === 'value'
					? `${plain(says.value)}${says.expandedU === null ? '' : ` ± ${plain(says.expandedU)}`}`
					: says.kind === 'interval'
						? `${plain(says.lower)} to ${plain(says.upper)}`
						: `${says.sense} ${plain(says.limit)}`;
			return `${said} ${unit}, from ${reading.source}`;
		}
	}
}

/** "0.41 mL left", "21 drops, 1 of them bad, half sample", "on 8, thinned 1:5" */
export function readingWords(method: Method, reading: RawReading): string {
	const { dilution } = reading;
	const endPoint = 'endPoint' in reading && reading.endPoint !== 'full' ? reading.endPoint : undefined;
	return [
		bodyWords(method, reading),
		reading.portion === 'half' ? 'half sample' : '',
		dilution ? `thinned 1:${plain((dilution.sampleMl + dilution.diluentMl) / dilution.sampleMl)}` : '',
		endPoint ? `stopped at ${END_POINT_NAMES[endPoint]}` : '',
		reading.course && reading.course !== 'as-written' ? COURSE_WORDS[reading.course] : '',
		reading.doubtful ? 'in doubt' : '',
		reading.cloudy ? 'cloudy' : '',
		reading.bubblesOff ? 'bubbles tapped off' : '',
		reading.wiped ? 'glass wiped' : '',
		reading.light && reading.light !== 'daylight' ? LIGHT_WORDS[reading.light] : '',
		reading.background === 'coloured' ? 'coloured background' : ''
	]
		.filter(Boolean)
		.join(', ');
}

export const COURSE_WORDS = {
	'as-written': 'the colour came as written',
	early: 'the colour came early',
	late: 'the colour came late',
	none: 'no colour came'
} as const;

/** The same on a button beside "the colour". */
export const COURSE_SHORT = {
	'as-written': 'As written',
	early: 'Early',
	late: 'Late',
	none: 'Never came'
} as const;

export const LIGHT_WORDS = {
	daylight: 'daylight',
	'white-lamp': 'white lamp',
	'coloured-lamp': 'coloured lamp',
	dim: 'dim light'
} as const;

export const BACKGROUND_WORDS = { white: 'white', grey: 'grey', coloured: 'coloured' } as const;
