import type { BottleState, ResultMove, ShelfThing } from '$lib/contract/shelf-view';
import type { ShelfKind } from '$lib/contract/choices';
import type { KitFinding, StandardFound } from '$lib/core/comparison';
import type { DropperState } from '$lib/core/method';
import { nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import type { CheckDue, DatedNote, ReadingWay, ToBuy } from '$lib/core/shelf';
import { SALTS } from '$lib/core/standard';
import type { Instant } from '$lib/core/time';
import { correctionWords } from '../result/arithmetic.ts';
import { shortDay } from '../date.ts';
import { fixed, percent, plain } from '../number.ts';
import { inUnit } from '../quantity.ts';
import { gradeWords } from '../judgement/verdict.ts';

export const SHELF_KIND_NAMES: Readonly<Record<ShelfKind, string>> = {
	kit: 'Kit or refill',
	standard: 'Standard',
	instrument: 'Instrument',
	syringe: 'Syringe',
	scoop: 'Scoop',
	vial: 'Vial or cuvette',
	stirrer: 'Stirrer'
};

const plural = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;

/** "0.23 a test"; the money is the site's own and is not named. */
export function costWords(cost: number | null): string {
	return cost === null ? '' : `${fixed(cost, 2)} a test`;
}

export function amountWords(amount: number, unit: BottleState['unit']): string {
	return unit === 'ml'
		? `${plain(Number(amount.toPrecision(amount < 10 ? 2 : 3)))} mL`
		: plural(Math.round(amount), 'scoop');
}

/** How much longer it will do, in one sentence; empty where nothing is known. */
export function supplySentence(thing: ShelfThing, timeZone: string, now: Instant): string {
	const { supply } = thing;
	if (supply.testsLeft?.tests === 0) {
		return `Empty by the reckoning${supply.testsLeft.endsFirst ? `: ${supply.testsLeft.endsFirst} is used up` : ''}.`;
	}
	const parts: string[] = [];
	if (supply.testsLeft) {
		const { tests, endsFirst } = supply.testsLeft;
		parts.push(`About ${plural(tests, 'test')} left${endsFirst ? `; ${endsFirst} ends first` : ''}.`);
	}
	if (supply.ends) {
		const days = Math.round((supply.ends.at - now) / 86_400_000);
		if (supply.ends.by === 'date') {
			parts.push(
				days < 0
					? `Past its date since ${shortDay(supply.ends.at, timeZone, now)}.`
					: `Its date ends ${days < 60 ? `in ${plural(days, 'day')}` : shortDay(supply.ends.at, timeZone, now)}.`
			);
		} else parts.push(`At the pace of the last eight weeks that is ${plural(Math.max(0, days), 'day')}.`);
	} else if (supply.testsLeft && supply.perDay === 0 && thing.openedAt !== null) {
		parts.push('Not used in the last eight weeks.');
	}
	return parts.join(' ');
}

const DUE_WORDS: Readonly<Record<CheckDue, string>> = {
	new: 'not checked on a standard yet',
	old: 'checked last more than four months ago',
	doubted: 'doubted since its last check',
	'past-date': 'past its date: check it before you trust it'
};
export const dueWords = (due: CheckDue): string => DUE_WORDS[due];

const STATE_WORDS: Readonly<Record<KitFinding['state'], string>> = {
	'in-order': 'in order',
	off: 'off',
	'far-off': 'far off'
};
export const kitStateWords = (state: KitFinding['state']): string => STATE_WORDS[state];

/** "in order on Mon 3 Aug", "far off, corrected × 0.94" */
export function checkedWords(
	thing: ShelfThing,
	units: Readonly<Record<ParameterId, UnitId>>,
	timeZone: string,
	now: Instant
): string {
	return thing.checked
		.map(({ parameter, at, state, correctedBy }) => {
			const named = thing.checked.length > 1 ? `${nameWithin(parameter)} ` : '';
			const corrected = correctedBy
				? `, corrected ${correctionWords(correctedBy, parameter, units[parameter])}`
				: '';
			return `${named}${STATE_WORDS[state]} on ${shortDay(at, timeZone, now)}${corrected}`;
		})
		.join('; ');
}

export const DROPPER_NAMES: Readonly<Record<DropperState, string>> = {
	even: 'even drops',
	uneven: 'uneven drops',
	leaky: 'leaks or spits'
};

/** What buying is about: "used up in about 12 days", "none left that is any good". */
export function toBuyWords(item: ToBuy, timeZone: string, now: Instant): string {
	if (item.why === 'none-left' || item.at === null) return 'none left that is any good';
	const days = Math.max(0, Math.round((item.at - now) / 86_400_000));
	const when = days === 0 ? 'today' : `in about ${plural(days, 'day')}, ${shortDay(item.at, timeZone, now)}`;
	return item.why === 'used-up' ? `used up ${when}` : `past its date ${when}`;
}

/** One standard of a check, in a sentence with the numbers that it stands on. */
export function standardSentence(found: StandardFound, parameter: ParameterId, unit: UnitId): string {
	const read = inUnit(parameter, found.mean, found.uMean, unit);
	const holds = inUnit(parameter, found.holds.value, found.holds.u, unit);
	const times = found.readings === 1 ? 'Read once' : `Read ${found.readings} times, on average`;
	return `${times} ${read.value} ± ${read.plusMinus}; the standard holds ${holds.value} ± ${holds.plusMinus} ${UNITS[unit].symbol}.`;
}

/** What a check comes to: state, how sure, and what to do. */
export function findingSentence(finding: KitFinding, unit: UnitId): string {
	const { parameter, standards, state } = finding;
	const worst = [...standards].sort((a, b) => Math.abs(b.zeta) - Math.abs(a.zeta))[0]!;
	const seen = inUnit(parameter, 0, worst.leastSeen / 2, unit).plusMinus;
	const symbol = UNITS[unit].symbol;
	const relative = worst.holds.value > 0 ? ` (${percent(worst.leastSeen / worst.holds.value)})` : '';
	const bias = inUnit(parameter, Math.abs(worst.bias), worst.uBias, unit);
	if (state === 'in-order') {
		return `In order, as far as these readings can tell: an error under ${seen} ${symbol}${relative} would not show.`;
	}
	const side = worst.bias > 0 ? 'too high' : 'too low';
	return `It reads ${bias.value} ± ${bias.plusMinus} ${symbol} ${side}. ${
		state === 'off'
			? 'That may be chance once in twenty checks: check again, correct by it, or open another lot.'
			: 'Do not go by it until that is explained: check again with a fresh standard, correct by it, take another lot, or retire it.'
	}`;
}

const OBSTACLES: Readonly<Record<NonNullable<KitFinding['obstacle']>, string>> = {
	'repeats-apart':
		'The repeats differ by more than such readings may. Test the standard again before you correct anything.',
	implausible:
		'A correction outside 0.8 to 1.25 says that the kit or this check is broken. Read the standard once more; a wrong sample or portion is likelier.',
	'standards-alike': 'Both standards read the same; there is no line through them.'
};
export const obstacleWords = (obstacle: NonNullable<KitFinding['obstacle']>): string => OBSTACLES[obstacle];

/** The correction of a finding in words, with its uncertainty. */
export function correctionSentence(finding: KitFinding, unit: UnitId): string {
	const { correction, parameter } = finding;
	if (!correction) return finding.obstacle ? obstacleWords(finding.obstacle) : '';
	const words = correctionWords(correction, parameter, unit);
	if (correction.kind === 'factor')
		return `Its readings ${words}, known to ± ${percent(2 * correction.relativeU)}.`;
	if (correction.kind === 'offset') {
		return `Its readings ${words}, known to ± ${inUnit(parameter, 0, correction.u, unit).plusMinus} ${UNITS[unit].symbol}.`;
	}
	return `Its readings ${words}; readings between the two are surest.`;
}

/** Did a verdict change with a move? "Inside → Probably outside, high" */
export function gradeMove({ gradeBefore, gradeAfter }: ResultMove): string | null {
	if (gradeBefore.grade === gradeAfter.grade && gradeBefore.side === gradeAfter.side) return null;
	if (gradeBefore.grade === null || gradeAfter.grade === null) return null;
	const words = (g: ResultMove['gradeBefore']) => gradeWords(g.grade, g.side).toLowerCase();
	return `${words(gradeBefore)} → ${words(gradeAfter)}`;
}

/** One line of a thing's history. */
export function noteWords(what: DatedNote): string {
	switch (what.kind) {
		case 'opened':
			return what.sameLeaflet ? 'Opened; the leaflet is the same as before' : 'Opened';
		case 'counted':
			return `${what.reagent} looked at: ${plain(what.amount)} left`;
		case 'dropper':
			return `Dropper of ${what.reagent}: ${DROPPER_NAMES[what.state]}`;
		case 'drop-size':
			return `One drop of ${what.reagent} is ${fixed(1000 * what.dropMl, 1)} ± ${fixed(2000 * what.u, 1)} µL`;
		case 'doubted':
			return 'Doubted';
		case 'check-accepted':
			return `Correction of ${nameWithin(what.parameter)} accepted, ${what.from === null ? 'for all that was read with it' : 'from that check on'}`;
		case 'check-withdrawn':
			return `Correction of ${nameWithin(what.parameter)} taken back`;
		case 'put-back':
			return `Unused ${what.reagent} put back into its bottle`;
		case 'box-checked':
			return what.complete
				? 'The box was looked through: all of it is there'
				: 'Something of the box is missing';
		case 'retired':
			return 'Retired';
		case 'back-in-use':
			return 'Taken back into use';
	}
}

/** How a home-made standard was made; empty for a bought one. */
export function recipeWords({ recipe }: ShelfThing['details'], stockName: (id: string) => string): string {
	if (!recipe) return '';
	const amount = ({ value }: { readonly value: number }, unit: string) => `${plain(value)} ${unit}`;
	const filled = `filled up to ${amount(recipe.volumeMl, 'mL')}`;
	return recipe.by === 'weighed'
		? `${amount(recipe.massG, 'g')} of ${SALTS[recipe.salt].name.toLowerCase()}, ${SALTS[recipe.salt].formula}, ${filled}`
		: `${amount(recipe.takenMl, 'mL')} of ${stockName(recipe.stockId)}, ${filled}`;
}

/** "alkalinity 8.1 ± 0.08 dKH, calcium 425 ± 4 mg/L" */
export function contentsWords(
	thing: Pick<ShelfThing, 'details'>,
	units: Readonly<Record<ParameterId, UnitId>>
): string {
	return thing.details.contents
		.map(({ parameter, value, u }) => {
			const m = inUnit(parameter, value, u, units[parameter]);
			const symbol = UNITS[units[parameter]].symbol;
			return `${nameWithin(parameter)} ${m.value} ± ${m.plusMinus}${symbol === PARAMETERS[parameter].name ? '' : ` ${symbol}`}`;
		})
		.join(', ');
}

export const READING_WAY_NAMES: Readonly<Record<ReadingWay, string>> = {
	any: 'whichever way',
	syringe: 'a syringe',
	drops: 'drops, counted',
	colour: 'a colour beside others',
	display: 'a number on a display or scale'
};
