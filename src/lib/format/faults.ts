import type { Fault, FaultCode } from '$lib/core/result';

type Words = (details: Readonly<Record<string, string | number>>, field: string) => string;

/** What is wrong, what was kept, what to do. One text per code, in one place. */
const TEXTS: Readonly<Record<FaultCode, Words>> = {
	'not-a-number': () => 'That is not a number. Type a volume such as 0.41.',
	'beyond-syringe': (d) =>
		`The syringe holds ${d.capacityMl} mL; a larger number cannot have been read on it. Was it read in hundredths?`,
	'below-zero': () => 'A volume cannot be below zero. Type what the scale shows at the plunger.',
	'finer-than-scale': (d) =>
		`The scale has marks every ${d.graduationMl} mL. Give a mark, or the middle between two.`,
	'start-below-end': (d) =>
		`The syringe began at ${d.start} mL and cannot have ended at ${d.end} mL. Was it filled again in between? Then add a filling.`,
	'no-fill': () => 'There is no syringe reading yet. Set the plunger to what you see.',
	'too-many-fills': (d) =>
		`More than ${d.most} fillings in one test is a slip. Check the sample and the reagent.`,
	'range-reversed': () => 'The lower end of the range is above the upper one.',
	'portion-unknown': () => 'Choose a full or a half sample.',
	'chart-duplicate': (d) => `The table has two results for the same reading, ${d.x}. Keep one.`,
	'chart-too-short': () => 'A table needs at least two rows.',
	'count-not-reached': (d) =>
		`${d.drops} of ${d.count} drops are counted. Count on, or leave the step as it is.`,
	'timer-running': () => 'The time is not over yet. Wait for it, or leave the step as it is.',
	'nothing-to-undo': () => 'There is nothing to undo.',
	'already-finished': () => 'All steps are done.',
	'unknown-item': () => 'That is not there any more, or it is not yours. Go back and choose again.',
	'id-taken': () =>
		'Something else was saved under this entry already. Reload the page; what was saved is in the Log.',
	'already-corrected': () => 'This reading was corrected already. Correct the newer one instead.',
	unchanged: () => 'The reading is the same as before. Change it, or go back.',
	'invalid-field': (d, field) => `${fieldWords(field)} ${reasonWords(String(d.reason))}.`,
	'target-reversed': (d, field) =>
		field === 'aim'
			? `The aim must lie between ${d.low} and ${d.high}.`
			: `The lower limit must be below the upper one; ${d.low} is not below ${d.high}.`,
	'in-the-future': () => 'That time is still to come. Check the date and the clock of this device.',
	'too-large': (d) => `That is more than can be: at most ${d.most}${d.unit ? ` ${d.unit}` : ''}.`,
	'too-often': () => 'Too many requests in one minute. Wait a minute; nothing was lost.',
	'not-signed-in': () => 'You are not signed in.'
};

const FIELDS: Readonly<Record<string, string>> = {
	low: 'The lower limit',
	high: 'The upper limit',
	aim: 'The aim',
	source: 'Where it comes from',
	note: 'The note',
	reason: 'The reason',
	happenedAt: 'The time',
	'details.supplement': 'The name of the supplement',
	'details.amountMl': 'The amount',
	'details.amountMlPerDay': 'The amount per day',
	'details.days': 'The number of days',
	'details.volumeL': 'The volume changed',
	'details.batch': 'The batch'
};

function fieldWords(field: string): string {
	if (FIELDS[field]) return FIELDS[field];
	if (field.startsWith('details.strength')) return 'The strength';
	if (field.startsWith('details.newWater')) return 'The value of the new water';
	return `“${field}”`;
}

/** Ajv's reasons, put as a person would. */
function reasonWords(reason: string): string {
	if (/must be (number|integer)/.test(reason)) return 'must be a number, such as 12.5';
	const limit = /must be (>|<|>=|<=) (-?[\d.]+)/.exec(reason);
	if (limit) {
		const words = { '>': 'above', '<': 'below', '>=': 'at least', '<=': 'at most' } as const;
		return `must be ${words[limit[1] as keyof typeof words]} ${limit[2]}`;
	}
	if (/fewer than 1 char/.test(reason)) return 'is missing';
	const short = /fewer than (\d+) char/.exec(reason);
	if (short) return `needs at least ${short[1]} letters`;
	const long = /more than (\d+) char/.exec(reason);
	if (long) return `is longer than ${long[1]} letters`;
	return reason;
}

export function faultText(fault: Fault): string {
	return TEXTS[fault.code](fault.details ?? {}, fault.field ?? '');
}
