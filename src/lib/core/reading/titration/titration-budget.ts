import {
	lastIncrement,
	rectangular,
	triangular,
	type UncertaintyComponent,
	type UncertaintySource
} from '../../uncertainty/index.ts';

type Shape = 'rect' | 'tri';

interface RelativeSource {
	readonly source: UncertaintySource;
	/** Standard uncertainty, relative. */
	readonly relativeU: number;
}

/** Sample and size of it, as the method has them. */
export interface TitrationSample {
	readonly ml: number;
	readonly fullMl: number;
	readonly relativeTolerance: number;
}

/**
 * All that is the same for every reading with one kit and one size of sample. "Unit" is what titrant is measured in:
 * a millilitre from a syringe, or a drop.
 */
export interface TitrationKit {
	/** The straight line on which the result lies: atZero + perUnit·V, at the nominal sample volume. */
	readonly perUnit: number;
	readonly atZero: number;
	/** The last drop or push, units. */
	readonly increment: number;
	/** Standard uncertainty of judging the end point, units. */
	readonly endPointU: number;
	readonly sampleMl: number;
	readonly sampleToleranceMl: number;
	/** Printed steps of the leaflet's table, in the result's unit; 0 without a table. */
	readonly chartStep: number;
	/** What scales the titrant's part (strength, size of drops, share of a filtrate), and the excess reagent's. */
	readonly onTitrant: readonly RelativeSource[];
	readonly onExcess: readonly RelativeSource[];
	/** Correction by a kit check, and its relative standard uncertainty. */
	readonly factor: number;
	readonly factorRelativeU: number;
	/** Take half the last increment off, so that the result is unbiased. */
	readonly midpoint: boolean;
	readonly sampleShape: Shape;
	readonly graduationShape: Shape;
}

/** What one reading adds to what the kit brings, in units. */
export interface TitrationLooks {
	/** Titrant delivered, as read. */
	readonly volume: number;
	/** Σ w²: the widths that the looks at the scale left open, squared and added; two looks per filling. */
	readonly squaredWidths: number;
	/** Width of a range that was read instead of one count. */
	readonly rangeWidth: number;
	/** Drops that were anything from nothing to a drop. */
	readonly bad: number;
	/** Half-width, rectangular, that the reader's own doubt adds. */
	readonly doubtHalfWidth: number;
	/** Brings the reader's habit to the first full colour, with its standard uncertainty. */
	readonly shift: number;
	readonly uShift: number;
	/** Takes off how far too late this person stops, with its standard uncertainty, which all their readings share. */
	readonly ownShift: number;
	readonly uOwnShift: number;
	/** Standard uncertainty of judging the end point as it was measured of this person; null takes the kit's. */
	readonly ownEndPointU: number | null;
	/** What this person's look at the scale leaves open beyond half a division, standard uncertainty. */
	readonly uOwnScale: number;
}

/** Of a reader who was never tried. */
export const NOTHING_OWN = { ownShift: 0, uOwnShift: 0, ownEndPointU: null, uOwnScale: 0 } as const;

/** Relative standard uncertainties of things that multiply add up by their squares. */
function squaredRelative(sources: readonly RelativeSource[]): number {
	let sum = 0;
	for (let i = 0; i < sources.length; i++) sum += sources[i]!.relativeU * sources[i]!.relativeU;
	return sum;
}

/** Of a width w evenly spread u² = w²/12; of a triangle half as much. */
const RECT = 1 / 12;
const TRIANGLE = 1 / 24;

/**
 * Result and uncertainty budget of a titration, y = (a + k·V)·f:
 * u² = (k f)²·[Σ w²/12 + δ²/12 + u_ep² + …] + y²·(u(V_s)/V_s)² + s²/12 + (kVf)²·(u(c)/c)² + (af)²·(u(e)/e)² + y²·(u(f)/f)².
 * Reading, last drop and end point are random; sample syringe, table, reagents, factor and the reader's own bias are
 * common to repeats.
 * Every part is a standard uncertainty in the result's unit, worked out when it is asked for.
 *
 * @see JCGM 100:2008, 5.1.2, with the components of 4.3.7 and 4.3.9
 */
export class TitrationBudget {
	/** What was really needed, as best known: half the last drop and half of every bad one off, the habit brought in. */
	readonly volume: number;
	readonly value: number;
	private readonly perUnit: number;

	constructor(
		readonly kit: TitrationKit,
		readonly looks: TitrationLooks
	) {
		const { midpoint, increment, atZero, perUnit, factor } = kit;
		const { volume, shift, ownShift, bad } = looks;
		const midway = midpoint ? volume - lastIncrement(increment).bias : volume;
		this.volume = Math.max(0, midway + shift + ownShift - (bad / 2) * increment);
		this.value = (atZero + perUnit * this.volume) * factor;
		this.perUnit = Math.abs(perUnit * factor);
	}

	get graduation(): number {
		const halfWidth = Math.sqrt(this.looks.squaredWidths) / 2;
		return (
			this.perUnit * (this.kit.graduationShape === 'rect' ? rectangular(halfWidth) : triangular(halfWidth))
		);
	}
	get range(): number {
		return this.perUnit * rectangular(this.looks.rangeWidth / 2);
	}
	get lastDrop(): number {
		return this.perUnit * lastIncrement(this.kit.increment).u;
	}
	get badDrops(): number {
		return this.perUnit * this.kit.increment * Math.sqrt(this.looks.bad / 12);
	}
	get endPoint(): number {
		return this.perUnit * (this.looks.ownEndPointU ?? this.kit.endPointU);
	}
	get habit(): number {
		return this.perUnit * this.looks.uShift;
	}
	get ownBias(): number {
		return this.perUnit * this.looks.uOwnShift;
	}
	get ownScale(): number {
		return this.perUnit * this.looks.uOwnScale;
	}
	get readerDoubt(): number {
		return this.perUnit * rectangular(this.looks.doubtHalfWidth);
	}
	get sampleVolume(): number {
		const { sampleShape, sampleToleranceMl, sampleMl } = this.kit;
		const u = sampleShape === 'rect' ? rectangular(sampleToleranceMl) : triangular(sampleToleranceMl);
		return (Math.abs(this.value) * u) / sampleMl;
	}
	get chartRounding(): number {
		return rectangular(this.kit.chartStep / 2);
	}
	/** What the titrant took up, and what the excess reagent brought, each scaled by its own relative parts. */
	private get titrantPart(): number {
		return this.perUnit * this.volume;
	}
	private get excessPart(): number {
		return Math.abs(this.kit.atZero * this.kit.factor);
	}
	get factor(): number {
		return Math.abs(this.value) * this.kit.factorRelativeU;
	}
	/**
	 * The root of the random parts' squares, and of the common ones below: the same as of `components`, summed before any
	 * root is drawn, since every reading of years needs these two and hardly any needs its parts.
	 */
	get uRandom(): number {
		const { graduationShape, increment } = this.kit;
		const { squaredWidths, rangeWidth, bad, uShift, doubtHalfWidth, uOwnScale } = this.looks;
		const endPointU = this.looks.ownEndPointU ?? this.kit.endPointU;
		const lastDrops = (1 + bad) * increment * increment;
		const squares =
			squaredWidths * (graduationShape === 'rect' ? RECT : TRIANGLE) +
			(lastDrops + rangeWidth * rangeWidth) * RECT +
			endPointU * endPointU +
			uShift * uShift +
			uOwnScale * uOwnScale +
			(doubtHalfWidth * doubtHalfWidth) / 3;
		return this.perUnit * Math.sqrt(squares);
	}
	get uCommon(): number {
		const { onTitrant, onExcess, sampleShape, sampleToleranceMl, sampleMl, chartStep, factorRelativeU } =
			this.kit;
		const sample = sampleToleranceMl / sampleMl;
		const onWhole = (sample * sample) / (sampleShape === 'rect' ? 3 : 6) + factorRelativeU * factorRelativeU;
		const titrant = this.titrantPart;
		const own = this.ownBias;
		let squares =
			this.value * this.value * onWhole +
			own * own +
			titrant * titrant * squaredRelative(onTitrant) +
			chartStep * chartStep * RECT;
		if (onExcess.length > 0) {
			const excess = this.excessPart;
			squares += excess * excess * squaredRelative(onExcess);
		}
		return Math.sqrt(squares);
	}

	/** The budget's parts by name, those that are nothing left out. */
	get components(): readonly UncertaintyComponent[] {
		const { onTitrant, onExcess } = this.kit;
		const all: UncertaintyComponent[] = [
			{ source: 'graduation', u: this.graduation, repeats: 'random' },
			{ source: 'between-readings', u: this.range, repeats: 'random' },
			{ source: 'last-drop', u: this.lastDrop, repeats: 'random' },
			{ source: 'bad-drops', u: this.badDrops, repeats: 'random' },
			{ source: 'end-point', u: this.endPoint, repeats: 'random' },
			{ source: 'end-point-habit', u: this.habit, repeats: 'random' },
			{ source: 'reader-doubt', u: this.readerDoubt, repeats: 'random' },
			{ source: 'own-scale', u: this.ownScale, repeats: 'random' },
			{ source: 'own-bias', u: this.ownBias, repeats: 'common' },
			{ source: 'sample-volume', u: this.sampleVolume, repeats: 'common' },
			{ source: 'chart-rounding', u: this.chartRounding, repeats: 'common' },
			...onTitrant.map(({ source, relativeU }) => ({
				source,
				u: this.titrantPart * relativeU,
				repeats: 'common' as const
			})),
			...onExcess.map(({ source, relativeU }) => ({
				source,
				u: this.excessPart * relativeU,
				repeats: 'common' as const
			})),
			{ source: 'factor', u: this.factor, repeats: 'common' }
		];
		return all.filter((c) => c.u > 0);
	}
}
