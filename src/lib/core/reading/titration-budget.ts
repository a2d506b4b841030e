import { lastIncrement, rectangular, triangular, type UncertaintyComponent } from '../uncertainty/index.ts';

type Shape = 'rect' | 'tri';

/** All that is the same for every reading with one kit and one size of sample. */
export interface TitrationKit {
	/** Result per mL of titrant at the nominal sample volume. */
	readonly resultPerMl: number;
	/** The last drop or push, mL. */
	readonly incrementMl: number;
	/** Standard uncertainty of judging the end point, mL. */
	readonly endPointUMl: number;
	readonly sampleMl: number;
	readonly sampleToleranceMl: number;
	/** Printed steps of the leaflet's table, in the result's unit; 0 without a table. */
	readonly chartStep: number;
	/** Relative rectangular half-width of the titrant's strength. */
	readonly titrantRelativeTolerance: number;
	/** Correction by a kit check, and its relative standard uncertainty. */
	readonly factor: number;
	readonly factorRelativeU: number;
	/** Take half the last increment off, so that the result is unbiased. */
	readonly midpoint: boolean;
	readonly sampleShape: Shape;
	readonly graduationShape: Shape;
}

/** Root of a sum of four squares; the general form would make a list of them for every reading. */
function quadrature(a: number, b: number, c: number, d: number): number {
	return Math.sqrt(a * a + b * b + c * c + d * d);
}

/**
 * Result and uncertainty budget of a titration, y = k·V·f:
 * u² = (k f)²·[Σ w²/12 + δ²/12 + u_ep² + a²/3] + y²·(u(V_s)/V_s)² + s²/12 + y²·(u(c)/c)² + y²·(u(f)/f)².
 * Reading, last drop and end point are random; sample syringe, table, titrant and factor are common to repeats.
 * Every part is a standard uncertainty in the result's unit, worked out when it is asked for.
 *
 * @see JCGM 100:2008, 5.1.2, with the components of 4.3.7 and 4.3.9
 */
export class TitrationBudget {
	/**
	 * @param usedMl volume of titrant delivered
	 * @param squaredWidthsMl2 Σ w²: the widths of the intervals that the looks at the scale left open, squared
	 *   and added, mL²; two looks per filling
	 * @param doubtHalfWidthMl further half-width, rectangular, that the reader's own doubt adds
	 */
	constructor(
		private readonly kit: TitrationKit,
		private readonly usedMl: number,
		private readonly squaredWidthsMl2: number,
		private readonly doubtHalfWidthMl: number
	) {}

	get value(): number {
		const { resultPerMl, factor, midpoint, incrementMl } = this.kit;
		return resultPerMl * factor * (midpoint ? this.usedMl - lastIncrement(incrementMl).bias : this.usedMl);
	}
	private get perMl(): number {
		return Math.abs(this.kit.resultPerMl * this.kit.factor);
	}
	get graduation(): number {
		const halfWidthMl = Math.sqrt(this.squaredWidthsMl2) / 2;
		return (
			this.perMl * (this.kit.graduationShape === 'rect' ? rectangular(halfWidthMl) : triangular(halfWidthMl))
		);
	}
	get lastDrop(): number {
		return this.perMl * lastIncrement(this.kit.incrementMl).u;
	}
	get endPoint(): number {
		return this.perMl * this.kit.endPointUMl;
	}
	get readerDoubt(): number {
		return this.perMl * rectangular(this.doubtHalfWidthMl);
	}
	get sampleVolume(): number {
		const { sampleShape, sampleToleranceMl, sampleMl } = this.kit;
		const u = sampleShape === 'rect' ? rectangular(sampleToleranceMl) : triangular(sampleToleranceMl);
		return (Math.abs(this.value) * u) / sampleMl;
	}
	get chartRounding(): number {
		return rectangular(this.kit.chartStep / 2);
	}
	get titrant(): number {
		return Math.abs(this.value) * rectangular(this.kit.titrantRelativeTolerance);
	}
	get factor(): number {
		return Math.abs(this.value) * this.kit.factorRelativeU;
	}
	get uRandom(): number {
		return quadrature(this.graduation, this.lastDrop, this.endPoint, this.readerDoubt);
	}
	get uCommon(): number {
		return quadrature(this.sampleVolume, this.chartRounding, this.titrant, this.factor);
	}
}

/** The budget's parts by name, those that are nothing left out. */
export function componentsOf(budget: TitrationBudget): readonly UncertaintyComponent[] {
	const all: UncertaintyComponent[] = [
		{ source: 'graduation', u: budget.graduation, repeats: 'random' },
		{ source: 'last-drop', u: budget.lastDrop, repeats: 'random' },
		{ source: 'end-point', u: budget.endPoint, repeats: 'random' },
		{ source: 'reader-doubt', u: budget.readerDoubt, repeats: 'random' },
		{ source: 'sample-volume', u: budget.sampleVolume, repeats: 'common' },
		{ source: 'chart-rounding', u: budget.chartRounding, repeats: 'common' },
		{ source: 'titrant', u: budget.titrant, repeats: 'common' },
		{ source: 'factor', u: budget.factor, repeats: 'common' }
	];
	return all.filter((c) => c.u > 0);
}
