/**
 * A sample thinned before the test: D = (V_s + V_w)/V_s, and C = D·C_m − (D − 1)·C_w.
 *
 * @param diluentHolds concentration of what was measured in the water used for thinning
 * @throws {RangeError} on a sample of 0 or less, or a negative volume of water
 * @example diluted(9, 5, 5, 1.2) // { factor: 2, value: 16.8 }
 */
export function diluted(
	measured: number,
	sampleMl: number,
	diluentMl: number,
	diluentHolds = 0
): { readonly factor: number; readonly value: number } {
	if (!(sampleMl > 0)) throw new RangeError(`sample volume must be above 0 mL, not ${sampleMl}`);
	if (!(diluentMl >= 0)) throw new RangeError(`volume of water must be 0 mL or more, not ${diluentMl}`);
	const factor = (sampleMl + diluentMl) / sampleMl;
	return { factor, value: factor * measured - (factor - 1) * diluentHolds };
}
