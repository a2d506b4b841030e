import { afterWaterChange } from '../../balance/index.ts';
import { atLeast, atMost } from '../../numeric/index.ts';

function share(fraction: number): void {
	if (!(fraction >= 0 && fraction <= 1))
		throw new RangeError(`a change is 0 to 1 of the water, not ${fraction}`);
}

/**
 * A concentration after several equal changes, with something added before each.
 *
 * @param between added by what lives in the water before each change; negative where it is used up
 */
export function afterChanges(
	tank: number,
	{
		newWater,
		fraction,
		count
	}: { readonly newWater: number; readonly fraction: number; readonly count: number },
	between = 0
): number {
	share(fraction);
	let level = tank;
	for (let i = 0; i < count; i++) level = afterWaterChange(level + between, newWater, fraction);
	return level;
}

/** Where equal changes lead in the long run, after and before each. @throws {RangeError} without any change */
export function steadyChanges(
	newWater: number,
	fraction: number,
	between: number
): { readonly after: number; readonly before: number } {
	share(fraction);
	if (fraction === 0) throw new RangeError('without a change there is no end to it');
	const after = newWater + (between * (1 - fraction)) / fraction;
	return { after, before: newWater + between / fraction };
}

/**
 * Water exchanged without end: C = C_s + (C₀ − C_s)·e^(−x).
 *
 * @param turnovers volumes exchanged over the volume of the water
 * @param perTurnover produced while one volume is exchanged
 * @returns and the share that is new: 63.2 % after one volume
 */
export function afterContinuous(
	tank: number,
	newWater: number,
	turnovers: number,
	perTurnover = 0
): { readonly level: number; readonly effectiveFraction: number } {
	if (!(turnovers >= 0)) throw new RangeError(`an exchange is 0 or more volumes, not ${turnovers}`);
	const steady = newWater + perTurnover;
	const left = Math.exp(-turnovers);
	return { level: steady + (tank - steady) * left, effectiveFraction: 1 - left };
}

/** The share of the water to change for a target; possible only from 0 to 1. @throws {RangeError} where both waters are alike */
export function fractionFor(
	tank: number,
	target: number,
	newWater: number
): { readonly fraction: number; readonly possible: boolean } {
	if (tank === newWater) throw new RangeError('new water that holds as much changes nothing');
	const fraction = (tank - target) / (tank - newWater);
	return { fraction, possible: atLeast(fraction, 0) && atMost(fraction, 1) };
}

/** How many equal changes lead to a target, and where they lead. @throws {RangeError} where none do */
export function changesFor(
	tank: number,
	target: number,
	newWater: number,
	fraction: number
): { readonly count: number; readonly level: number } {
	share(fraction);
	const { possible } = fractionFor(tank, target, newWater);
	if (!possible || fraction === 0 || target === newWater) {
		throw new RangeError(`no number of changes with ${newWater} leads from ${tank} to ${target}`);
	}
	const exact = Math.log((target - newWater) / (tank - newWater)) / Math.log(1 - fraction);
	const count = Math.ceil(exact - 1e-9);
	return { count, level: afterChanges(tank, { newWater, fraction, count }) };
}

/** Volumes to exchange continuously for a target. @throws {RangeError} where none are enough */
export function turnoversFor(tank: number, target: number, newWater: number): number {
	const ratio = (tank - newWater) / (target - newWater);
	if (!(ratio >= 1) || !Number.isFinite(ratio)) {
		throw new RangeError(`exchanging ${newWater} does not lead from ${tank} to ${target}`);
	}
	return Math.log(ratio);
}

/**
 * Net volume from a dose and the rise that it made: V = m/ΔC.
 *
 * @param rise mg/L with its standard uncertainty, above 0
 */
export function volumeByDose(
	doseMg: number,
	rise: { readonly value: number; readonly u: number }
): { readonly litres: number; readonly u: number } {
	if (!(rise.value > 0)) throw new RangeError('a dose that raised nothing tells no volume');
	const litres = doseMg / rise.value;
	return { litres, u: (litres * rise.u) / rise.value };
}
