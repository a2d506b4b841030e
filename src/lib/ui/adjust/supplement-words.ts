import { COMPOUNDS, type Supplement } from '$lib/core/correction';
import { nameWithin, PARAMETERS } from '$lib/core/quantity';
import { plain } from '$lib/format/number';
import { symbolAfter } from '$lib/format/quantity';

/** How strong it is, and how that is known. */
export function strengthWords(what: Supplement): string {
	switch (what.kind) {
		case 'salt':
			return `${COMPOUNDS[what.compound].formula}, ${Math.round(100 * what.purity)} % pure`;
		case 'solution':
			return what.parts
				.map((p) => `${plain(p.gramsPerL)} g/L ${COMPOUNDS[p.compound].formula}`)
				.join(' and ');
		case 'limewater':
			return `${plain(1000 * what.molPerL)} mmol/L`;
		case 'product':
			return `${what.strength
				.map(
					(s) =>
						`1 ${what.unit === 'ml' ? 'mL' : 'g'} in 100 L: ${nameWithin(s.parameter)} +${plain(Number(s.risePer100L.toPrecision(3)))}${symbolAfter(PARAMETERS[s.parameter].canonicalUnit)}`
				)
				.join('; ')}, by its ${what.from}, ± ${Math.round(200 * what.relativeU)} %`;
	}
}
