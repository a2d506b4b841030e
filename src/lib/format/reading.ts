import type { SyringeReading } from '$lib/core/reading';
import { millilitres } from './number.ts';

/** "0.41 mL left", "1.00 + 0.29 mL used, half sample, not sure" */
export function readingWords(reading: SyringeReading): string {
	const ends = reading.fills.map(({ end }) =>
		end.lowerMl === end.upperMl
			? millilitres(end.lowerMl)
			: `${millilitres(end.lowerMl)} to ${millilitres(end.upperMl)}`
	);
	return [
		`${ends.join(' + ')} mL ${reading.readAs}`,
		reading.fills.length > 1 ? `${reading.fills.length} fillings` : '',
		reading.portion === 'half' ? 'half sample' : '',
		reading.sure ? '' : 'not sure'
	]
		.filter(Boolean)
		.join(', ');
}
