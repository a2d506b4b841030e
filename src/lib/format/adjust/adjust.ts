import type { PlanRequest, RepairSeen } from '$lib/contract/adjust';
import type {
	Assumption,
	BatchFinding,
	DoseUnit,
	Followed,
	GoalRefusal,
	Moved,
	PlanRemark,
	PlanStep,
	PlanWarning,
	RemedyId,
	Repair,
	StrangeMove
} from '$lib/core/correction';
import type { SeenPlan } from '$lib/core/judgement/plan';
import { nameWithin, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { COVERAGE } from '$lib/core/uncertainty';
import { fixed, measured, plain } from '../number.ts';
import { bandInUnit, inUnit, limitInUnit, ratePerDay, symbolAfter } from '../quantity.ts';
import { inReadersVolume, litresWords, volumeSymbol } from '../volume.ts';
import { HUSBANDRY_TITLES, REMEDIES } from './husbandry.ts';

type Units = Readonly<Record<ParameterId, UnitId>>;

/** "alkalinity and calcium" */
export function listed(parameters: readonly ParameterId[]): string {
	const names = parameters.map(nameWithin);
	return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

export function repairTitle(repair: Repair): string {
	switch (repair.kind) {
		case 'ammonia':
			return `Get ${listed(repair.parameters)} down`;
		case 'warmth':
			return repair.side === 'low' ? 'Warm the water slowly' : 'Cool the water slowly';
		case 'salinity':
			return repair.side === 'low' ? 'Raise salinity' : 'Lower salinity';
		case 'water-change':
			return 'Change water first';
		case 'raise':
			return `Raise ${listed(repair.parameters)}`;
		case 'lower':
			return `Let ${nameWithin(repair.parameter)} fall`;
		case 'acidity':
			return `Find out why pH is ${repair.side}`;
		case 'nutrient':
			return repair.side === 'high'
				? `Bring ${nameWithin(repair.parameter)} down`
				: `Let ${nameWithin(repair.parameter)} rise`;
		case 'leave':
			return `Leave ${nameWithin(repair.parameter)} alone`;
	}
}

/** Why it stands where it stands in the order. */
export function repairWhy({ repair }: RepairSeen): string {
	switch (repair.kind) {
		case 'ammonia':
			return 'It harms within hours, and more at high pH. Find its source before anything else.';
		case 'warmth':
			return 'Animals bear a wrong temperature better than a fast change of it.';
		case 'salinity':
			return 'Salinity comes first: everything else scales with it.';
		case 'water-change':
			return `One change moves ${listed(repair.parameters)} at once. Single doses come after it, for what is left.`;
		case 'raise':
			if (repair.first) {
				return 'Magnesium this low lets calcium and carbonate fall out together: it is put right before they are chased.';
			}
			return repair.parameters.length > 1
				? 'The two are planned as a pair, apart in time and place: together they can fall out, and both are lower than before.'
				: 'Over as many days as animals bear, and tested between.';
		case 'lower':
			return 'No salt lowers it cleanly. Dose less and let it be used, or change water.';
		case 'acidity':
			return 'pH is a sign, not a thing to dose: ask for its cause first.';
		case 'nutrient':
			return 'The cause is asked before the remedy.';
		case 'leave':
			return repair.why === 'follows-salinity'
				? 'It only follows salinity. It comes right with it.'
				: repair.why === 'cannot-tell'
					? 'The kit cannot tell whether it is outside at all. Test again when it is due.'
					: 'It is moved by what is done already.';
	}
}

/** "6.9 ± 0.2 dKH, wanted 7.5–9, aim 8.2" */
export function repairValue(value: RepairSeen['values'][number], units: Units): string {
	const unit = units[value.parameter];
	const m = inUnit(value.parameter, value.value, value.u, unit);
	const aim = value.aim === null ? '' : `, aim ${limitInUnit(value.parameter, value.aim, unit)}`;
	return `${PARAMETERS[value.parameter].name} ${m.value} ± ${m.plusMinus}${symbolAfter(unit)}, wanted ${bandInUnit(value.parameter, value, unit)}${aim}`;
}

export const REMARKS: Readonly<Record<PlanRemark, string>> = {
	'second-reading':
		'It begins with a second reading: this is more than a day may change, or it rests on one reading that surprised.',
	long: 'It takes long. Look for what keeps the value down before you begin.',
	stretched: 'It was stretched, because a salt brings more of something else than a day may change.',
	'cannot-tell': 'The kit can hardly tell this from where it should be. Leaving it alone is a plan too.',
	'many-portions': 'A day’s dose is given in parts, so that pH and saturation are borne.',
	'not-caught-up':
		'It falls by more than a daily dose may be raised at once. Test in two days, and plan the rest anew.',
	'from-tomorrow': 'Enough was added today: the first dose is for tomorrow.'
};

export const WARNINGS: Readonly<Record<PlanWarning, string>> = {
	'would-precipitate':
		'The water could lose calcium carbonate by itself: saturation would pass 7. Smaller portions, or a bicarbonate.',
	'ph-high': 'pH would pass 8.5 at once. Smaller portions, or a bicarbonate.',
	'raised-loss': 'Saturation passes 5: more than usual is lost on heaters and pumps.',
	'corrosive-to-skeletons': 'Saturation stays below 1: skeletons dissolve. Raise alkalinity.'
};

export const ASSUMED: Readonly<Record<Assumption, string>> = {
	volume: 'the net volume is guessed, ± 20 %',
	alkalinity: 'alkalinity was not read: it is taken as low, where pH goes furthest',
	ph: 'pH was not read in the last three days',
	salinity: 'salinity was not read',
	temperature: 'temperature was not read',
	calcium: 'calcium was not read',
	magnesium: 'magnesium was not read',
	potassium: 'potassium was not read',
	form: 'the label does not say in which form it brings alkalinity'
};

export const MOVED_NAMES: Readonly<Record<Moved, string>> = {
	alkalinity: 'Alkalinity',
	calcium: 'Calcium',
	magnesium: 'Magnesium',
	potassium: 'Potassium',
	nitrate: 'Nitrate',
	phosphate: 'Phosphate',
	sodium: 'Sodium',
	chloride: 'Chloride',
	sulphate: 'Sulphate',
	salinity: 'Salinity',
	'ph-at-once': 'pH, at once after a portion',
	'ph-later': 'pH, when air has taken its part',
	'saturation-at-once': 'Saturation of aragonite, at once',
	'saturation-later': 'Saturation of aragonite, later'
};

const UNTESTED_UNIT = ' mg/L';

/** Before, after and change of a row of everything that moves, with the digits that mean something. */
export function movedWords(
	row: { readonly what: Moved; readonly before: number; readonly after: number; readonly u: number },
	units: Units
): { readonly before: string; readonly after: string; readonly change: string } {
	const { what, before, after, u } = row;
	const sign = (text: string, rise: number) => {
		if (Number(text.replace('−', '-')) === 0) return '0';
		if (rise > 0) return `+${text}`;
		return text.startsWith('−') ? text : `−${text}`;
	};
	if (what in PARAMETERS && what !== 'salinity') {
		const parameter = what as ParameterId;
		const unit = units[parameter];
		const spread = Math.max(u, 1e-9);
		const m = (value: number) => inUnit(parameter, value, spread, unit);
		const rise = ratePerDay(parameter, after - before, Math.max(Math.abs(after - before) / 40, 1e-6), unit);
		return {
			before: `${m(before).value}${symbolAfter(unit)}`,
			after: `${m(after).value} ± ${m(after).plusMinus}`,
			change: sign(rise.value, after - before)
		};
	}
	const decimals = what === 'salinity' || what.startsWith('ph') ? 2 : what.startsWith('saturation') ? 1 : 0;
	const symbol = what === 'sodium' || what === 'chloride' || what === 'sulphate' ? UNTESTED_UNIT : '';
	const more = what === 'salinity' ? 3 : decimals;
	const spread = COVERAGE * u;
	return {
		before: `${fixed(before, decimals)}${symbol}`,
		after:
			spread >= 0.5 * 10 ** -decimals
				? `${fixed(after, decimals)} ± ${fixed(spread, decimals)}`
				: fixed(after, decimals),
		change: sign(fixed(after - before, more), after - before)
	};
}

/** "12 g", "8.5 mL", "1.2 L" */
export function amountWords(amount: number, unit: DoseUnit): string {
	if (unit === 'ml' && amount >= 1000) return `${plain(Number((amount / 1000).toPrecision(3)))} L`;
	if (unit === 'g' && amount >= 1000) return `${plain(Number((amount / 1000).toPrecision(3)))} kg`;
	return `${plain(Number(amount.toPrecision(3)))} ${unit === 'ml' ? 'mL' : 'g'}`;
}

const ASKED: Readonly<Record<StrangeMove['kind'], string>> = {
	'stopped-pump':
		'That is what a dosing pump that stands, or an empty bottle, looks like. Look at both before anything is added, and test again.',
	'falls-too-fast':
		'No tank uses so much. Look for a pump that stands, a wrong bottle, something that falls out of the water; and test again before anything is added.',
	'rises-too-fast':
		'No tank does that by itself. Look for a pump that runs on, a valve, a second bottle of the same, an overfilled reactor; stop it, and test again.'
};

/** Beside the steps of a plan whose level moves as no tank moves it. */
export const HELD =
	'Add nothing yet: look first at what is said above, and test again. Where all is right, end this plan and begin another.';

/** "Alkalinity falls by 0.9 dKH a day, with 1 dKH dosed. That is what a dosing pump …" */
export function askWords({ parameter, kind, perDay, dosed }: StrangeMove, units: Units): string {
	const unit = units[parameter];
	const size = (value: number) =>
		`${limitInUnit(parameter, Number(Math.abs(value).toPrecision(2)), unit)}${symbolAfter(unit)}`;
	const way = perDay.value < 0 ? 'falls' : 'rises';
	const with_ = dosed > 0 ? `, with ${size(dosed)} dosed` : '';
	return `${PARAMETERS[parameter].name} ${way} by ${size(perDay.value)} a day${with_}. ${ASKED[kind]}`;
}

export function refusalWords(refusal: GoalRefusal, units: Units): string {
	const { parameter } = refusal;
	const unit = units[parameter];
	const level = (value: number) =>
		`${limitInUnit(parameter, Number(value.toPrecision(3)), unit)}${symbolAfter(unit)}`;
	const name = PARAMETERS[parameter].name;
	switch (refusal.kind) {
		case 'nothing-to-do':
			return `${name} needs nothing: it is there, or comes with the rest.`;
		case 'cannot-lower':
			return `${name} is above that already, and nothing that is added lowers it. Dose less, or change water.`;
		case 'rises-by-itself':
			return `${name} gets there by itself in about ${Math.ceil(refusal.days)} days, as things run now. Leave it, and test.`;
		case 'brings-too-much':
			return `This brings far too much ${nameWithin(refusal.of)} for the ${nameWithin(parameter)} that is wanted. Choose another salt.`;
		case 'too-far':
			return `That is more than ninety careful days. The nearest that can be reached is ${level(refusal.nearest)}; a water change does more.`;
		case 'beyond-bacteria':
			return `Nothing lives in this water but its bacteria, and they do not bear that. The nearest is ${level(refusal.nearest)}.`;
		case 'ask-first':
			return askWords(refusal.move, units);
		case 'answers-otherwise':
			return `Earlier doses raised ${nameWithin(parameter)} about ${plain(Number(refusal.response.value.toPrecision(2)))} times as much as the volume and the strength say. One of them is typed wrong: check the net volume and the label’s unit before anything is added.`;
		case 'no-room':
			return refusal.by === 'rise'
				? `${name} rises by itself by nearly all that a day may change. Add nothing; look for what raises it, and test in two days.`
				: `Plans that run already add all of the ${nameWithin(parameter)} that a day may change. Finish or stop them first.`;
		case 'unlikely-amount':
			return `${amountWords(refusal.perDay, refusal.unit)} a day cannot be right: that is ${
				refusal.side === 'much' ? 'far too much for this water' : 'less than can be measured out'
			}. Check the net volume, and the strength by the label and its unit${
				refusal.side === 'little' ? '; if both are right, thin it with purified water' : ''
			}.`;
		case 'overcharged':
			return `The water does not bear it: ${refusal.by === 'ph' ? 'pH would be too high' : 'calcium carbonate would fall out'}. The nearest that can be reached is ${level(refusal.nearest)}.`;
	}
}

export function stepWords(step: PlanStep, units: Units): string {
	const { what } = step;
	switch (what.kind) {
		case 'dose': {
			const parts =
				what.portions > 1
					? `, in ${what.portions} parts of ${amountWords(what.amount / what.portions, what.unit)} over the day`
					: '';
			return `Add ${amountWords(what.amount, what.unit)} of ${what.name}${parts}`;
		}
		case 'daily-dose':
			return what.fromPerDay === 0
				? `Begin a daily dose of ${amountWords(what.toPerDay, what.unit)} of ${what.name}, for what is used`
				: `Set the daily dose of ${what.name} to ${amountWords(what.toPerDay, what.unit)}; so far ${amountWords(what.fromPerDay, what.unit)}`;
		case 'test': {
			const times = what.repeats > 1 ? `, ${what.repeats} times` : '';
			return what.why === 'before'
				? `Test ${listed(what.parameters)} a second time before anything is added`
				: `Test ${listed(what.parameters)}${times}`;
		}
		case 'salinity': {
			const unit = units.salinity;
			const to = limitInUnit('salinity', Number(what.to.toFixed(2)), unit);
			return what.saltKg > 0
				? `Dissolve ${amountWords(what.saltKg * 1000, 'g')} of salt mix in water from the tank, for ${to}`
				: `Exchange ${litresWords(Number(what.exchangeL.toPrecision(3)))} for purified water, for ${to}`;
		}
		case 'change':
			return `Change ${litresWords(Number(what.litres.toPrecision(3)))} of water${what.batch ? `, with ${what.batch}` : ''}`;
		case 'remedy':
			return REMEDIES[what.remedy as RemedyId] ?? what.remedy;
	}
}

/** What a step is for, in a few words beside it. */
export function stepAside(step: PlanStep, units: Units): string {
	const { what } = step;
	if (what.kind === 'dose') {
		const unit = units[what.parameter];
		const rise = ratePerDay(what.parameter, what.rise, Math.max(what.rise / 40, 1e-6), unit);
		return `${nameWithin(what.parameter)} +${rise.value}${symbolAfter(unit)}`;
	}
	if (what.kind === 'test') {
		return { before: 'second reading', midway: 'midway', end: 'at the end', regular: 'does it work?' }[
			what.why
		];
	}
	return '';
}

export function planTitle(request: PlanRequest, parameters: readonly ParameterId[]): string {
	switch (request.kind) {
		case 'doses':
			return `Raise ${listed(request.goals.map((g) => g.parameter))}`;
		case 'salinity':
			return 'Bring salinity right';
		case 'changes':
			return request.count === 1
				? `Change ${litresWords(request.litres)} of water`
				: `${request.count} water changes of ${litresWords(request.litres)}`;
		case 'husbandry':
			return `${HUSBANDRY_TITLES[request.id]}: ${parameters.length > 0 ? `watch ${listed(parameters)}` : 'ask for its cause'}`;
	}
}

/** Whether a goal runs as it should, and what it says if not. */
export function courseWords(parameter: ParameterId, followed: Followed, unit: UnitId): string {
	const name = PARAMETERS[parameter].name;
	const share = Math.round(100 * followed.response.value);
	const spread = Math.round(100 * COVERAGE * followed.response.u);
	switch (followed.course) {
		case 'too-early':
			return `${name}: too early to tell. The first test after a dose says more.`;
		case 'on-course':
			return `${name} is on course.`;
		case 'weaker':
			return `${name} is off course: the water answers with ${share} ± ${spread} % of what the doses should do.`;
		case 'stronger':
			return `${name} is off course: the water answers with ${share} ± ${spread} % of what the doses should do. Do not add more until the rest is planned anew.`;
		case 'use-changed': {
			const drift = ratePerDay(parameter, followed.drift.value, followed.drift.u, unit);
			return `${name} is off course: its use has changed. Besides the plan it now ${followed.drift.value < 0 ? 'falls' : 'rises'} by ${drift.value} ± ${drift.plusMinus}${symbolAfter(unit)} a day.`;
		}
	}
}

export function reasonWords(reason: NonNullable<SeenPlan['reason']>): string {
	if (reason.kind === 'product') {
		return 'One product answers otherwise than the other: its strength is not what the label says.';
	}
	const { value, u } = reason.volumeL;
	const m = measured(inReadersVolume(value), inReadersVolume(COVERAGE * u));
	const volume = `By doses and readings the net volume would be ${m.value} ± ${m.plusMinus} ${volumeSymbol()}.`;
	return reason.kind === 'volume'
		? `All products answer alike, so that the net volume is likelier wrong than all labels. ${volume}`
		: `Either the product is not as strong as its label says, or the net volume is not what is believed. ${volume} A second product would tell which.`;
}

export function batchFindingWords(finding: BatchFinding): string {
	switch (finding.kind) {
		case 'thin-magnesium':
			return `Magnesium is thin for its salinity: ${Math.round(finding.atS35)} mg/L brought to S 35, ${Math.round(finding.short)} less than the sea. Put it right in the barrel, or change the salt.`;
		case 'holds-nutrient':
			return `It holds ${nameWithin(finding.parameter)}: ${plain(Number(finding.value.toPrecision(2)))} mg/L. Fresh mix should hold none; look at the source water and the salt.`;
		case 'salinity-off':
			return `Salinity is ${fixed(finding.value, 1)}; ${finding.aim} was meant.`;
		case 'not-tested':
			return 'Not tested. Salinity, magnesium and nutrients before it is used.';
	}
}
