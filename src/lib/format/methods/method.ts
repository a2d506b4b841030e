import { titrationsOf, type Method, type MethodKind, type Titration } from '$lib/core/method';
import { UNITS } from '$lib/core/quantity';
import { plain } from '../number.ts';

export const KIND_NAMES: Readonly<Record<MethodKind, string>> = {
	'syringe-titration': 'titration by syringe',
	'drop-titration': 'titration by drops',
	'back-titration': 'back-titration',
	'paired-titration': 'two titrations in one vial',
	difference: 'total less another ion',
	'colour-card': 'colour card',
	comparator: 'comparator with steps',
	display: 'display',
	'scale-line': 'line on a scale',
	float: 'float',
	thermometer: 'thermometer',
	stated: 'from elsewhere'
};

/** A kit by what one holds in one's hand. */
export const LIKE_THIS: Readonly<Record<MethodKind, string>> = {
	'syringe-titration': 'syringe',
	'drop-titration': 'drops, counted',
	'back-titration': 'drops, back',
	'paired-titration': 'one vial, two syringes',
	difference: 'hardness less calcium',
	'colour-card': 'colour card',
	comparator: 'comparator',
	display: 'display',
	'scale-line': 'line on glass',
	float: 'float',
	thermometer: 'thermometer',
	stated: 'elsewhere'
};

function titrationWords(titration: Titration): string {
	const { worth, meter } = titration;
	const one = meter.kind === 'drops' ? '1 drop' : '1 mL';
	switch (worth.by) {
		case 'titrant':
			return `Titrant ${plain(worth.molPerL)} mol/L; what ${one} is worth follows from the sample.`;
		case 'excess':
			return `${plain(worth.excessMl)} mL of ${plain(worth.excessMolPerL)} mol/L in excess, titrated back with ${plain(worth.titrantMolPerL)} mol/L: more titrant is less.`;
		case 'line':
			return `${one} is ${plain(worth.perUnit)} ${UNITS[worth.unit].symbol}${worth.atZero === 0 ? '' : `, starting at ${plain(worth.atZero)}`}.`;
		case 'table':
			return `The leaflet’s table of ${worth.points.length} rows, by what is ${worth.reads}.`;
	}
}

/** How a reading of the method becomes a value, in a few sentences. */
export function worthWords(method: Method): readonly string[] {
	const lines = titrationsOf(method).map(titrationWords);
	switch (method.kind) {
		case 'difference':
			return [
				...lines,
				method.subtract.by === 'moles'
					? 'Calcium’s own result is taken off by moles.'
					: 'Calcium’s own result is taken off plainly, as the leaflet has it.'
			];
		case 'colour-card':
		case 'comparator':
			return [
				`Steps ${method.colourSteps.map((s) => plain(s.value)).join(', ')} ${UNITS[method.unit].symbol}; between them ${method.spacing === 'log' ? 'even in proportion' : 'even in distance'}.`,
				method.blank ? 'A blank stands beside it.' : ''
			].filter(Boolean);
		case 'display':
			return [
				`${UNITS[method.unit].symbol}, to ${plain(method.resolution)}, within ± ${[
					method.accuracy.absolute > 0 ? plain(method.accuracy.absolute) : '',
					method.accuracy.relative > 0 ? `${plain(100 * method.accuracy.relative)} %` : ''
				]
					.filter(Boolean)
					.join(' or ')}; range ${plain(method.range.low)} to ${plain(method.range.high)}.`
			];
		case 'scale-line':
		case 'float':
			return [
				`Specific gravity ${plain(method.scale.waterC)}/${plain(method.scale.referenceC)} °C in marks of ${plain(method.scale.graduation)}, turned into salinity by the density of sea water.`
			];
		case 'thermometer':
			return [`Marks of ${plain(method.graduationC)} °C, within ± ${plain(method.toleranceC)} °C.`];
		default:
			return lines;
	}
}
