import { colourDifference, seenBy, type Vision } from '../colour/index.ts';
import { normalCdf, type Random } from '../numeric/index.ts';

/** How somebody really reads: truths that no estimate may read, of a shape that its model does not have. */
export interface PractisingReader {
	/** Steps too late on average, once they have learned. */
	readonly bias: number;
	/** Standard deviation of where they stop, steps; skewed towards too late. */
	readonly spread: number;
	/** Share of stops that go astray altogether. */
	readonly lapses: number;
	/** Further off by so many steps at first; it fades over some eight vials. */
	readonly learns: number;
	/** By what share the spread grows with each vial of a day: hands tire. */
	readonly tires: number;
	/** Noise of the eye, CIEDE2000. */
	readonly colourNoise: number;
	readonly vision: Vision;
	readonly severity: number;
}

const LEARNS_IN = 8;
const GAMMA_SHAPE = 4;
/** Who goes astray is so many steps off, to either side. */
const ASTRAY = { least: 2, more: 6 };

/** A deviate of mean 0 and standard deviation 1 with a tail to the right: of a gamma distribution, skewness 1. */
function skewedDeviate(random: Random): number {
	let sum = 0;
	for (let i = 0; i < GAMMA_SHAPE; i++) sum -= Math.log(1 - random());
	return (sum - GAMMA_SHAPE) / Math.sqrt(GAMMA_SHAPE);
}

/** Where the bias of somebody stands at their nth vial, from 0. */
export const biasAt = ({ bias, learns }: PractisingReader, n: number): number =>
	bias + learns * Math.exp(-n / LEARNS_IN);

/** How far after the change they stop at their nth vial, steps, anywhere within the step in which they stop. */
export function stopOf(random: Random, reader: PractisingReader, n: number): number {
	const within = random() - 0.5;
	if (random() < reader.lapses) {
		const far = ASTRAY.least + ASTRAY.more * random();
		return reader.bias + (random() < 0.5 ? -far : far) + within;
	}
	const spread = reader.spread * (1 + reader.tires * n);
	return biasAt(reader, n) + spread * skewedDeviate(random) + within;
}

/** Share of right answers of somebody who chooses between two colours; they slip once in fifty where they know. */
export function shareTold({ colourNoise, vision, severity }: PractisingReader, a: string, b: string): number {
	const distance = colourDifference(seenBy(a, vision, severity), seenBy(b, vision, severity));
	const seen = normalCdf(distance / (Math.SQRT2 * colourNoise));
	return 0.98 * seen + 0.01;
}
