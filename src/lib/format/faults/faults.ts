import type { Fault, FaultCode } from '$lib/core/result';
import { litresWords } from '../volume.ts';
import { invitationOver, notAllowed } from './access';
import { fieldWords, ruleWords } from './field-words';

type Words = (details: Readonly<Record<string, string | number>>, field: string) => string;

/** What is wrong, what was kept, what to do. One text per code, in one place. */
const TEXTS: Readonly<Record<FaultCode, Words>> = {
	'not-a-number': () => 'That is not a number. Type one such as 0.41; a comma will do as well.',
	'beyond-syringe': (d) =>
		`The syringe holds ${d.capacityMl} mL; a larger number cannot have been read on it. Was it read in hundredths?`,
	'beyond-load': (d) =>
		`${d.drops} drops are ${d.ml} mL, and only ${d.loadMl} mL was loaded. Was the syringe filled again? Then say how often; else count again.`,
	'below-zero': () => 'That cannot be below zero. Enter what you see.',
	'finer-than-scale': (d) =>
		`The scale has marks every ${d.graduationMl} mL. Give a mark, or the middle between two.`,
	'start-below-end': (d) =>
		`The syringe began at ${d.start} mL and cannot have ended at ${d.end} mL. Was it filled again in between? Then add a filling.`,
	'no-drops': () =>
		'No drop was counted. Press for every drop, or type the total; 0 if the colour had turned before the first.',
	'no-fill': () => 'There is no syringe reading yet. Set the plunger to what you see.',
	'too-many-fills': (d) =>
		`More than ${d.most} fillings in one test is a slip. Check the sample and the reagent.`,
	'range-reversed': () => 'The lower end of the range is above the upper one.',
	'portion-unknown': () => 'Choose a full or a half sample.',
	'chart-duplicate': (d) => `The table has two results for the same reading, ${d.x}. Keep one.`,
	'chart-too-short': () => 'At least two rows are needed.',
	'table-row': (d) =>
		`Line ${d.row} holds ${d.cells} numbers; a row is what was read and what it is worth, two numbers.`,
	'factor-implausible': (d) =>
		`A factor outside ${d.least} to ${d.most} says that the kit or this check is broken. Repeat the check.`,
	'standards-alike': () => 'Both standards read the same; a line needs two different readings.',
	'standard-beyond-kit': () =>
		'The standard lies beyond what this kit can show. Use one that is within its range, or dilute it.',
	'no-check-reading': () => 'No standard was read with this kit yet. Test one on the bench first.',
	'volume-too-small': (d) =>
		`For ${d.wanted} less than ${d.least} mL would have to be measured. Make a weaker stock first, or more of the solution.`,
	'weaker-than-wanted': (d) => `The stock holds ${d.stock}; ${d.wanted} cannot be made from it.`,
	'not-a-photograph': () => 'This file is no JPEG, PNG or WebP picture. Take or choose a photograph.',
	'not-a-recording': () => 'This is no recording that can be kept. Say the note again, or write it down.',
	'too-little-practice': ({ answers, least }) =>
		`${answers} of at least ${least} answers: too few to use. Practise some more; what was answered is kept.`,
	'no-finding': () => 'This check found nothing to correct by. Repeat it.',
	'device-not-there': () =>
		'No device answers. Is it switched on and near? You can type what it shows instead.',
	'device-lost': () =>
		'The connection was lost. Nothing was taken from it. Connect again and set the zero again, or type what it shows.',
	'device-nonsense': () =>
		'What the device sent makes no sense, so it was not taken. Read again; if it stays so, type what it shows.',
	'device-blank-first': () => 'Its zero comes first: put the plain sample in and set it, then read.',
	'device-blank-old': () =>
		'Its zero is older than ten minutes and has drifted. Set it again with the plain sample.',
	'device-warming': (d) =>
		`Its lamp is still warming up. Wait ${d.seconds} seconds more, or its zero will drift.`,
	'device-dirty': () =>
		'Too little light comes through the plain sample. Wipe the cuvette, get rid of bubbles, and set the zero again.',
	'device-over': () => 'It shows more than its range. Thin the sample, and test again.',
	'kit-retired': () => 'This kit was retired. Take it back into use first, or choose another lot.',
	'no-such-step': () =>
		'There is no such place on this scale. Choose one of its steps, or between two of them.',
	'wrong-form': () => 'This method is read in another way. Start the test again.',
	'beyond-scale': (d) =>
		`That lies outside ${d.least} to ${d.most}${d.unit ? ` ${d.unit}` : ''}. Was the unit or the decimal point another?`,
	'finer-than-marks': (d) =>
		`It can be read to ${d.finest}${d.unit ? ` ${d.unit}` : ''} at the finest. Enter it so.`,
	'beyond-excess': () =>
		'More was titrated back than the first reagent could bind. Was it forgotten, or the wrong syringe used? Test again.',
	'less-than-nothing': (d) =>
		`${d.off} mg/L of calcium cannot be taken off a total of ${d.total} mg/L. Check both readings.`,
	'temperature-missing': () => 'A float needs the temperature of the water beside it. Enter it.',
	'no-salinity': (d) =>
		`${d.reading} is lighter than fresh water, or heavier than any sea. Read the scale again.`,
	'unit-unknown': () => 'That unit measures something else. Choose one that fits the parameter.',
	'dilution-impossible': () => 'A dilution makes the sample thinner: one part in more than one.',
	'drops-are-used': () => 'Drops are counted as used; a table of what is left needs a syringe.',
	'worth-nothing': () =>
		'A factor of zero would make every reading alike. Enter what one mL or one drop is worth.',
	'not-titrated': () =>
		'This parameter is not found from a titrant’s concentration. Use a factor or a table.',
	'filtrate-too-small': () => 'More of the filtrate is taken than there is.',
	'marks-do-not-fit': () => 'The marks do not divide the scale into whole steps.',
	'sample-missing': () => 'A titration needs the volume of its sample.',
	'parameter-differs': () => 'This part is about another parameter than the method.',
	'meter-differs': () => 'The kind of method and the way its titrant is measured do not go together.',
	'steps-not-rising': () => 'Colour steps must rise, palest first.',
	'steps-alike': () => 'Two steps have the same id.',
	'no-reading-step': (d) =>
		d.kind === 'titrate'
			? `The steps need ${d.wanted === 1 ? 'one step' : `${d.wanted} steps`} that titrates, such as “titrate with B until red”.`
			: 'The steps need one that reads, such as “read against the card”, at the end.',
	'reading-not-last': (d) =>
		`The last step must be the one that ${d.kind === 'titrate' ? 'titrates' : 'reads'}.`,
	'file-unreadable': (d) => `This file is not JSON${d.where ? ` (${d.where})` : ''}. Choose a method file.`,
	'method-shipped': () => 'A shipped method stays as it is. Duplicate it, and change the copy.',
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
	'invalid-field': (d, field) => `${fieldWords(field)} ${ruleWords(String(d.rule), String(d.limit ?? ''))}.`,
	'name-taken': () => 'Somebody here has this name already. Add another letter or a second name.',
	'email-taken': () =>
		'An account with this address is there already. Sign in with it, or leave the field empty.',
	'wrong-sign-in': () => 'The name or the password is not right. Nothing was changed; try again.',
	'too-many-tries': (d) => {
		const minutes = Number(d.minutes ?? 1);
		return `That was tried too often. Wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`}, then try again.`;
	},
	'invitation-over': (d) => invitationOver(String(d.why)),
	'already-member': (d) =>
		`You belong to this site already, as ${d.role}. The invitation was not used up; whoever it is for can still take it.`,
	'wrong-code': () =>
		'That is not the code of this invitation. Ask whoever invited you; it is told apart from the link.',
	'wrong-password': () => 'That is not your password. Nothing was changed.',
	'wrong-second-factor': () =>
		'That number is not right, or its half minute is over. Type the one that is shown now, or one of your spare codes.',
	'wrong-passkey': () =>
		'This passkey was not recognised here. Nothing was changed; sign in with your password, or try again.',
	'wrong-pin': () => 'Those are not the digits. Nobody was chosen.',
	'last-owner': () =>
		'A site needs an owner for good, or nobody could say any more who belongs to it. Make somebody else one first.',
	'no-reader': () => 'Nobody was chosen who reads here. Tap your name first; what you entered is kept.',
	'no-account': () => 'Nobody signs in by an account here.',
	'at-place': () =>
		'This device belongs to a place and not to you. Sign in on a device of your own for that.',
	'link-over': () =>
		'This link was used, or its time is over. If you made the account, sign in; else start Tevrik again for a new link.',
	'begun-already': () => 'A water was begun already. It is kept; you can change all of it under Waters.',
	'ends-before-begin': () => 'That is before this water was begun. Choose a later time.',
	'target-reversed': (d, field) =>
		field === 'aim'
			? `The aim must lie between ${d.low} and ${d.high}.`
			: `The lower limit must be below the upper one; ${d.low} is not below ${d.high}.`,
	'in-the-future': (d) =>
		d.minutes === undefined
			? 'That time is still to come. Check the date and the clock of this device.'
			: `That time is still to come: it lies ${d.minutes} minutes ahead of the server’s clock. Check the clock of this device; what was read is kept here.`,
	'too-large': (d) => `That is more than can be: at most ${d.most}${d.unit ? ` ${d.unit}` : ''}.`,
	'says-nothing': (d) =>
		`That says nothing: of every water it is true, which can hold ${d.least} to ${d.most}${d.unit ? ` ${d.unit}` : ''}. Give the number that was read, or the end of the scale.`,
	'cannot-be-diluted': (d) => `${d.what} of a thinned sample says nothing of the sample. Test it as it is.`,
	'diluent-holds-more': () =>
		'The water for thinning would hold more than the thinned sample showed. Check what it holds, or thin with purified water.',
	'out-of-order': (d, field) => `${fieldWords(field)} cannot be before ${d.before}. Check the times.`,
	unusual: (d) =>
		`${d.value}${d.unit ? ` ${d.unit}` : ''} is unusual for this kind of water, which mostly holds ${d.least} to ${d.most}${d.unit ? ` ${d.unit}` : ''}. If it is so, say so and save again.`,
	'volume-unknown': () =>
		'The net volume of this water is not known. Enter it first; a dose is reckoned by it.',
	'never-read': () => 'This was not read lately. Test it first: a plan starts from where the water stands.',
	'nothing-to-plan': () => 'Nothing would have to be done. Leave it, and test again when it is due.',
	'beyond-daily-limit': (d) =>
		`${d.parameter} would change by more than a day may. At most ${litresWords(Number(d.most))} at one time; take more, smaller changes.`,
	'limit-above-most': (d) => `No limit can be set above ${d.most} a day.`,
	'limit-needs-reason': () =>
		'A limit is raised only with a reason, in a few words. It is kept with the limit.',
	'too-strong': (d) => `That much does not dissolve safely. ${d.salt}: at most ${d.most} g/L in this bottle.`,
	'falls-out': (d) => `${d.first} and ${d.second} fall out together in one bottle. Mix them apart.`,
	'plan-ended': () => 'This plan has ended. Begin a new one from where the water stands now.',
	'session-elsewhere': () =>
		'This session was gone on with on another device, which knows more of it. What you read here is kept and sent all the same.',
	'too-often': () => 'Too many requests in one minute. Wait a minute; nothing was lost.',
	'not-signed-in': () => 'You are not signed in.',
	'not-allowed': (d) => notAllowed(String(d.what), String(d.role))
};

export function faultText(fault: Fault): string {
	return TEXTS[fault.code](fault.details ?? {}, fault.field ?? '');
}

/** With the path of the part that is wrong, for files and long forms. */
export function faultAt(fault: Fault): string {
	const text = faultText(fault);
	return !fault.field || text.includes(fault.field) ? text : `${fault.field}: ${text}`;
}
