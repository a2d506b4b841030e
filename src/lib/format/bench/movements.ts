import type { Mixing, ProtocolStep } from '$lib/core/method';

/** A bottle, pot or syringe as it is spoken of: "bottle A". */
const thing = (step: ProtocolStep, word: string) =>
	step.reagent ? `${word} ${step.reagent}` : `the ${word}`;

const EACH: Readonly<Record<Mixing, string>> = { swirl: 'Swirl', shake: 'Cap it and shake', stir: 'Stir' };

/**
 * Every hand movement of a step, in order, for somebody who does it for the first time.
 *
 * @param atOnce its drops follow the shaking of their bottle without a pause
 * @param marked there are two vials, and only the marked one reacts
 */
export function movementsOf(step: ProtocolStep, atOnce: boolean, marked: boolean): readonly string[] {
	const vial = step.vial === 'second' ? 'the second vial' : marked ? 'the marked vial' : 'the vial';
	const { action } = step;
	switch (action.kind) {
		case 'prepare':
			if (action.of !== undefined) return [];
			return [
				'Half fill it with purified water, cap it, shake, pour away.',
				'Do the same with the water to be tested.',
				'Dry the outside with a cloth.',
				'Loosen child-proof caps now, before anything is timed.'
			];
		case 'draw':
			if (action.by === 'line')
				return [
					'Pour the water in to just below the line.',
					'Stand it level and bring your eye to the height of the line.',
					'The last drops by a syringe or a pipette, until the bottom of the curve sits on the line.'
				];
			return [
				'Dip the tip of the sample syringe into the water and draw a little too much.',
				'Turn the tip up, tap, push the air out.',
				'Push to the mark, at eye level, reading at the lower edge of the plunger.',
				marked ? 'Empty it into the vial that the step names.' : 'Empty it into the vial.'
			];
		case 'measure':
			if (action.by === 'tip')
				return [
					`Put the marked tip on, and into ${step.reagent ? `reagent ${step.reagent}` : 'the reagent'}.`,
					'Draw to beyond the mark, wipe the tip, let it down to the mark at eye level.',
					`Empty it into ${vial}${action.pace === 'slowly' ? ', slowly' : ''}.`
				];
			return [
				`Take the syringe that belongs to ${step.reagent ? `reagent ${step.reagent}` : 'this reagent'} and no other.`,
				'Draw slowly, so that no air comes in.',
				`Set it to the mark at eye level and empty it into ${vial}.`
			];
		case 'drops':
			return atOnce || action.pace === 'at-once'
				? [
						`Open ${thing(step, 'bottle')}${atOnce ? ', straight after mixing it' : ''}.`,
						`Straight upside down above ${vial}: ${action.count} full drops, one after another, without a pause.`,
						'Close the bottle.'
					]
				: [
						`Open ${thing(step, 'bottle')}.`,
						`Hold it straight upside down above ${vial}, not touching it.`,
						'Let a full drop form and fall. Foam or a half drop is wiped off, not counted.',
						...(action.mixing ? [`${EACH[action.mixing]} after every one, before the next.`] : []),
						...(action.pace === 'slowly' ? ['Slowly: the next one when the last has mixed in.'] : []),
						`Press for every drop, ${action.count} in all, then close the bottle.`
					];
		case 'scoops':
			return [
				`Open ${thing(step, 'pot')} and take its own scoop, dry.`,
				'Fill the scoop over the pot and strike it off flat.',
				`Carry it over ${vial} and tap it in.`,
				...(action.mixing ? [`${EACH[action.mixing]} after every one, before the next.`] : []),
				'Close the pot at once.'
			];
		case 'swirl':
			return step.reagent
				? [`Take ${thing(step, 'bottle')}, cap on, and swirl it until the time is over.`]
				: ['Lift the vial by its rim.', 'Swirl in small circles until the time is over.'];
		case 'stir':
			return [
				'Take a clean rod that belongs to this vial.',
				'Stir without splashing until the time is over.'
			];
		case 'shake':
			return step.reagent
				? [`Take ${thing(step, 'bottle')}, cap on.`, 'Shake until the time is over.']
				: ['Cap the vial; never a finger on it.', 'Shake until the time is over.'];
		case 'invert':
			return [
				step.reagent ? `Take ${thing(step, 'bottle')}, cap on.` : 'Cap it.',
				`Turn it over slowly ${action.times} times; down and up is one.`
			];
		case 'stand':
			return ['Put it down where nothing colours it.', 'Your hands are free.'];
		case 'filter':
			return [
				'Pour the milky sample into the filter cup.',
				`Press "It is filtering". Do not press on the filter.`,
				'Your hands are free.'
			];
		case 'fill':
			return [
				`Put the tip on the syringe of ${step.reagent ? `titrant ${step.reagent}` : 'the titrant'}.`,
				'Tip into the liquid; draw slowly to beyond the full mark.',
				'Wait until the liquid has caught up, then set the lower edge of the plunger on the mark.',
				'Leave the air under the plunger where it is. Wipe the tip.'
			];
		case 'titrate':
			return [
				'Hold the vial against white.',
				'One drop, swirl, look; again.',
				'When the shade between shows up, wait after every drop.',
				'Stop at the end colour, then enter what you read.'
			];
		case 'blank':
			return [
				'Wipe the glass.',
				'Put the plain sample in, its mark to the front, and close the lid.',
				'Set the zero and wait until the display shows it.'
			];
		case 'read':
			return ['Tap the vial so that no bubbles sit in it.', 'Look at once, then enter what you see.'];
		case 'do':
			return [];
	}
}
