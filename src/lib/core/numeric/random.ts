/** A source of numbers uniform in [0, 1). */
export type Random = () => number;

/**
 * Seeded uniform random numbers (sfc32, a small fast counting generator, seeded through splitmix32).
 * The same seed gives the same sequence on every machine.
 *
 * @param seed any integer
 */
export function seededRandom(seed: number): Random {
	let s = seed | 0;
	const next = () => {
		s = (s + 0x9e3779b9) | 0;
		let t = s ^ (s >>> 16);
		t = Math.imul(t, 0x21f0aaad);
		t ^= t >>> 15;
		t = Math.imul(t, 0x735a2d97);
		return (t ^ (t >>> 15)) | 0;
	};
	let [a, b, c, d] = [next(), next(), next(), 1];
	const random = () => {
		const t = (((a + b) | 0) + d) | 0;
		d = (d + 1) | 0;
		a = b ^ (b >>> 9);
		b = (c + (c << 3)) | 0;
		c = (((c << 21) | (c >>> 11)) + t) | 0;
		return (t >>> 0) / 4294967296;
	};
	for (let i = 0; i < 12; i++) random();
	return random;
}

/** One draw from N(mean, sd²), by Box and Muller (1958). */
export function normalDeviate(random: Random, mean = 0, sd = 1): number {
	const radius = Math.sqrt(-2 * Math.log(1 - random()));
	return mean + sd * radius * Math.cos(2 * Math.PI * random());
}
