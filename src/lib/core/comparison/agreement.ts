/** What two values with their uncertainties say of each other. @see ISO 13528:2022, zeta scores */
export type Agreement = 'agree' | 'questionable' | 'disagree';

/** |ζ| up to 2 agrees, from 3 on disagrees. */
export function agreementOf(zeta: number): Agreement {
	const size = Math.abs(zeta);
	return size <= 2 ? 'agree' : size < 3 ? 'questionable' : 'disagree';
}
