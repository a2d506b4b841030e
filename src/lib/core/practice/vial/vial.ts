import { titrationsOf, type Meter, type Method, type Titration } from '../../method/index.ts';
import { bisect } from '../../numeric/index.ts';
import { CARBON_PER_ALKALINITY, phAfterAcid, type AcidTitration } from './acid-titration.ts';
import { freeIon } from './complex-titration.ts';
import { acidFormShare, freeIndicatorShare } from './indicator.ts';
import { chemistryOf, type EndChemistry } from './kit-chemistry.ts';
import { absorbanceOf, lightThrough, mixedAbsorbance, type Bands, type Surroundings } from './light.ts';

/** From this share on the end colour is full: less of the first dye is not seen beside it. */
export const FULL_CHANGE = 0.9;
/** Where something first looks different. */
export const FIRST_SIGHT = 0.15;
/** Strength of a titrant that its leaflet doesn't tell, mol/L. */
const USUAL_MOLAR = 0.04;
/** Of the vial, where a drop falls in. */
const STREAK = 0.07;
/** A streak that fills this share of the vial is mixed. */
const SPREAD = 0.96;
/** A sample whose size the method does not tell, mL. */
const USUAL_SAMPLE_ML = 5;
/** The acid constant of carbonic acid in sea water, for what may leave as gas. */
const PK_CARBONIC = 5.85;

/** A vial whose end point is known, because it was made. */
export interface SimulatedVial {
	readonly chemistry: EndChemistry;
	readonly sampleMl: number;
	readonly titrantMolPerL: number;
	/** Titrant that meets what the sample holds exactly, mL. */
	readonly equivalentMl: number;
	readonly dyes: { readonly start: Bands; readonly end: Bands };
	/** Nominal size of a drop, mL. */
	readonly dropMl: number;
}

/** Size of one drop of a meter, mL. */
export const dropMlOf = (meter: Meter): number => (meter.kind === 'drops' ? meter.dropMl : meter.tipDropMl);

/**
 * A vial of one titration of a method.
 *
 * @param equivalentMl titrant that the sample takes up, mL
 * @throws {RangeError} where the method has no such titration
 */
export function vialOf(method: Method, which: 0 | 1, equivalentMl: number): SimulatedVial {
	const titration: Titration | undefined = titrationsOf(method)[which];
	if (!titration) throw new RangeError(`${method.code} has no titration ${which + 1}`);
	const { worth, colours, meter } = titration;
	const molar =
		worth.by === 'titrant' ? worth.molPerL : worth.by === 'excess' ? worth.titrantMolPerL : USUAL_MOLAR;
	return {
		chemistry: chemistryOf(method, titration, which),
		sampleMl: method.sampleMl?.full ?? USUAL_SAMPLE_ML,
		titrantMolPerL: molar,
		equivalentMl,
		dyes: { start: absorbanceOf(colours.start.css), end: absorbanceOf(colours.end.css) },
		dropMl: dropMlOf(meter)
	};
}

function acidOf({ sampleMl, titrantMolPerL, equivalentMl }: SimulatedVial): AcidTitration {
	const alkalinityMeqPerL = (1000 * titrantMolPerL * equivalentMl) / sampleMl;
	return {
		salinity: 35,
		temperatureC: 25,
		sampleMl,
		alkalinityMeqPerL,
		carbonMmolPerL: CARBON_PER_ALKALINITY * alkalinityMeqPerL,
		acidMolPerL: titrantMolPerL
	};
}

/** Share of the dye in its end form once the vial is mixed and the dye has followed. @param lost share of gas that left */
export function restingShare(vial: SimulatedVial, addedMl: number, lost = 0): number {
	const { chemistry, sampleMl, titrantMolPerL, equivalentMl } = vial;
	if (chemistry.kind === 'acid') {
		return acidFormShare(phAfterAcid(acidOf(vial), addedMl, lost), chemistry.pk, chemistry.steepness);
	}
	const perL = titrantMolPerL / (sampleMl + addedMl);
	return freeIndicatorShare(freeIon(equivalentMl * perL, addedMl * perL, chemistry.logK), chemistry.logKDye);
}

/** Titrant, mL, at which the mixed vial first shows a share of the end colour. @throws {RangeError} where it never does */
export function titrantToShow(vial: SimulatedVial, share: number): number {
	return bisect((ml) => restingShare(vial, ml) - share, 0, 1.6 * vial.equivalentMl + 0.3);
}

/** How a vial stands at one moment. */
export interface VialState {
	readonly addedMl: number;
	/** Of it, what is still a streak, and the share of the vial that the streak takes up. */
	readonly streakMl: number;
	readonly streakShare: number;
	/** The dye of the mixed part, in its end form; it lags behind. */
	readonly share: number;
	/** Share of the carbon that has left as gas. */
	readonly lost: number;
}

export function freshVial(vial: SimulatedVial): VialState {
	return { addedMl: 0, streakMl: 0, streakShare: 0, share: restingShare(vial, 0), lost: 0 };
}

/** A drop falls in, or so much of one as let go of the tip. */
export function withDrop(state: VialState, ml: number): VialState {
	const streakMl = state.streakMl + ml;
	// A new drop on an old streak: the place of both together is as large as their amounts say.
	const streakShare =
		state.streakMl > 0 ? (state.streakShare * state.streakMl + STREAK * ml) / streakMl : STREAK;
	return { ...state, addedMl: state.addedMl + ml, streakMl, streakShare };
}

const towards = (from: number, to: number, seconds: number, constantS: number) =>
	to + (from - to) * Math.exp(-seconds / constantS);

/**
 * The vial some time later.
 *
 * @param seconds 0 or more; long spans are exact enough in steps of a tenth of a second
 * @param swirled standing still a streak spreads eight times slower (choice), and gas leaves ten times slower
 */
export function afterTime(
	vial: SimulatedVial,
	state: VialState,
	seconds: number,
	swirled: boolean
): VialState {
	const { chemistry } = vial;
	const spread = towards(state.streakShare, 1, seconds, chemistry.spreadS * (swirled ? 1 : 8));
	const mixed = state.streakMl === 0 || spread >= SPREAD;
	const streakMl = mixed ? 0 : state.streakMl;
	const resting = restingShare(vial, state.addedMl - streakMl, state.lost);
	return {
		addedMl: state.addedMl,
		streakMl,
		streakShare: mixed ? 0 : spread,
		share: towards(state.share, resting, seconds, chemistry.respondS),
		lost: gasLost(vial, state, seconds, swirled)
	};
}

/** Only what is carbon dioxide can leave: nearly nothing at first, nearly all at the end. */
function gasLost(vial: SimulatedVial, state: VialState, seconds: number, swirled: boolean): number {
	const { chemistry } = vial;
	if (chemistry.kind !== 'acid') return 0;
	const ph = phAfterAcid(acidOf(vial), state.addedMl - state.streakMl, state.lost);
	const asGas = 1 / (1 + 10 ** (ph - PK_CARBONIC));
	return 1 - (1 - state.lost) * Math.exp((-seconds * asGas) / (chemistry.escapeS * (swirled ? 1 : 10)));
}

/** What the eye meets. */
export interface VialSight {
	readonly body: Bands;
	/** The streak in it, and the share of the vial that it takes up; null where none is left. */
	readonly streak: { readonly light: Bands; readonly share: number } | null;
}

/** The colours of a vial at one moment, under what it is looked at. */
export function sightOf(vial: SimulatedVial, state: VialState, around: Surroundings): VialSight {
	const { dyes, chemistry } = vial;
	const cloudy = around.cloudy || chemistry.milky;
	const seen = (share: number) =>
		lightThrough(mixedAbsorbance(dyes.start, dyes.end, share), { ...around, cloudy });
	const { streakMl, streakShare, addedMl, share } = state;
	if (streakMl === 0) return { body: seen(share), streak: null };
	// In its small place the streak is an excess, as if the whole vial had had so much more.
	const local = addedMl - streakMl + streakMl / streakShare;
	const shade = restingShare(vial, Math.min(local, 2 * vial.equivalentMl + 0.5), state.lost);
	return { body: seen(share), streak: { light: seen(Math.max(share, shade)), share: streakShare } };
}
