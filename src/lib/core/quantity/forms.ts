import type { ParameterId } from './parameter.ts';

/**
 * The forms in which a parameter is found, where kits differ in it: what reacts with the reagents is not always all
 * there is. A phosphate kit with digestion finds what is bound in living and dead matter as well.
 */
const FORMS: Partial<Readonly<Record<ParameterId, readonly string[]>>> = {
	phosphate: ['inorganic phosphate', 'total phosphate, organic included'],
	nitrate: ['nitrate', 'nitrate, with any nitrite'],
	calcium: ['calcium', 'calcium, with a trace of strontium'],
	potassium: ['potassium', 'potassium, with ammonium']
};

/** The forms that a kit for this parameter may find, the usual one first; none where there is only one. */
export function formsOf(parameter: ParameterId): readonly string[] {
	return FORMS[parameter] ?? [];
}

/** How far two forms of one parameter may be held against each other. */
export type FormsApart = 'same' | 'nearly' | 'not-interchangeable';

const isTotal = (form: string) => /\btotal\b|organic included/i.test(form);

/**
 * Whether what two kits find is one thing. Inorganic and total phosphate are two: by how much they differ depends on
 * what lives and decays in the water, so that neither can be reckoned from the other. All else differs by what is
 * mostly small, such as nitrite in nitrate.
 *
 * @example formsApart('phosphate', 'inorganic phosphate', 'total phosphate, organic included') // 'not-interchangeable'
 */
export function formsApart(parameter: ParameterId, first: string, second: string): FormsApart {
	if (first === second || formsOf(parameter).length === 0) return 'same';
	return parameter === 'phosphate' && isTotal(first) !== isTotal(second) ? 'not-interchangeable' : 'nearly';
}
