/**
 * Refractive index of sea water.
 *
 * @param salinity practical salinity, valid 0 to 35
 * @param temperatureC in °C, valid 0 to 30
 * @param wavelengthNm in nm, valid 400 to 700; 589.3 is the sodium line of refractometers
 * @returns index; stated accuracy 1.5e-5
 * @throws {RangeError} on a wavelength of 0 or less
 * @see Quan & Fry (1995), Applied Optics 34, 3477
 * @example refractiveIndex(35, 20, 589.3) // 1.3394059177
 */
export function refractiveIndex(salinity: number, temperatureC: number, wavelengthNm: number): number {
	if (!(wavelengthNm > 0)) throw new RangeError(`wavelength must be above 0 nm, not ${wavelengthNm}`);
	const [s, t, l] = [salinity, temperatureC, wavelengthNm];
	return (
		1.31405 +
		(1.779e-4 - 1.05e-6 * t + 1.6e-8 * t ** 2) * s -
		2.02e-6 * t ** 2 +
		(15.868 + 0.01155 * s - 0.00423 * t) / l -
		4382 / l ** 2 +
		1.1455e6 / l ** 3
	);
}
