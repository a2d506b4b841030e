import type { PanelHappening } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';

/** Why a test is asked for, and what each outcome would mean. */
export interface PanelWords {
	readonly why: string;
	readonly low: string;
	readonly inside: string;
	readonly high: string;
}

type Words = Readonly<Partial<Record<ParameterId, PanelWords>>>;

const NEVER_LOW = 'Nothing found: it is not that.';
const SALINITY: PanelWords = {
	why: 'A failed top-up or a wrong mix shows here first, and everything else scales with it.',
	low: 'Too much fresh water, or a thin mix. Bring it back by half a unit a day; faster harms as well.',
	inside: 'Not salinity.',
	high: 'Evaporation was not made up, or salt was overdosed. Take it down by one unit a day at most, with fresh water.'
};
const ALKALINITY: PanelWords = {
	why: 'It moves fastest, and a swing of it stresses corals before any colour shows.',
	low: 'Used faster than it is dosed, or a dose failed. Bring it back slowly.',
	inside: 'Not alkalinity; look at how far it swung in the last weeks on Trends.',
	high: 'Overdosed, or the use has stopped: corals that do not grow use none. Stop the dose first.'
};

/** Tests by what has happened. What is "inside" is inside the water's own band. */
const PANEL_WORDS: Readonly<Record<PanelHappening, Words>> = {
	death: {
		ammonia: {
			why: 'A body, or a filter that failed, fouls the water within a day; ammonia kills the next one.',
			low: NEVER_LOW,
			inside: 'None found: the water did not turn. Look for age, fighting, illness, a current, a chill.',
			high: 'The load is more than the bacteria bear. Take the body out, stop feeding, change water, keep pH from rising; test again tomorrow.'
		},
		nitrite: {
			why: 'It shows whether the bacteria keep up, some days after ammonia.',
			low: NEVER_LOW,
			inside: 'None found: the bacteria keep up.',
			high: 'The bacteria were hit: by medicine, by a stopped pump, by too much at once. In fresh water it is a danger; change water.'
		},
		nitrate: {
			why: 'It tells how long the load has been too much.',
			low: 'The load was not too much lately.',
			inside: 'The load was borne as usual.',
			high: 'Too much was fed, or too little was changed, for weeks: not the sudden cause, but the ground for it.'
		},
		salinity: SALINITY,
		temperature: {
			why: 'A heater that stuck, on or off, kills within hours.',
			low: 'The heater failed, or new water was cold. Warm up by half a degree an hour at most.',
			inside: 'Not temperature, now; was the power away at night?',
			high: 'The heater stuck, or the room was hot. Open the cover, move the air; warm water holds little oxygen.'
		},
		alkalinity: ALKALINITY,
		ph: {
			why: 'It tells of stale air, of a lost buffer, and how much of any ammonia harms.',
			low: 'Stale air, or the buffer is gone. Air first; then read alkalinity.',
			inside: 'Not pH, at this hour.',
			high: 'Something caustic went in too fast, such as limewater. Wait; it comes back by itself. Any ammonia is worse now.'
		}
	},
	algae: {
		nitrate: {
			why: 'One of the two that algae live on.',
			low: 'They live on the other one, or take all of it up before you read it: the algae are the stock.',
			inside: 'Not more than usual: look at light, flow and what competes.',
			high: 'Feed less, change more, clean the filter; then see whether it falls.'
		},
		phosphate: {
			why: 'The other one; often it comes with food, or out of old rock.',
			low: 'They may hold it all. Media would only make it worse.',
			inside: 'Not more than usual.',
			high: 'Look for its source before a medium: food, rinsed or not, dead corners, tap water.'
		}
	},
	browning: {
		nitrate: {
			why: 'Too much makes corals brown, none makes them pale.',
			low: 'Pale rather than brown: too little. Feed.',
			inside: 'Not nitrate.',
			high: 'Brown from plenty. Bring it down slowly; a fast fall costs tissue.'
		},
		phosphate: {
			why: 'Much of it browns, a sudden lack costs tissue.',
			low: 'If media were put in lately, take them out: a sudden lack is worse than plenty.',
			inside: 'Not phosphate.',
			high: 'Bring it down in small steps.'
		},
		alkalinity: ALKALINITY,
		salinity: SALINITY
	},
	'new-salt': {
		salinity: {
			why: 'All else is judged at the batch’s own salinity.',
			low: 'Thin: add salt before it is used.',
			inside: 'Mixed right.',
			high: 'Strong: add purified water before it is used.'
		},
		alkalinity: {
			why: 'Salts differ most in it, and the tank follows.',
			low: 'Lower than your tank: a change will draw it down. Raise it in the barrel.',
			inside: 'Fits the tank.',
			high: 'Higher than your tank: small changes, or mix two batches.'
		},
		calcium: {
			why: 'With alkalinity it tells whether something fell out in the barrel.',
			low: 'With low alkalinity as well: it fell out. Mix anew, in the right order.',
			inside: 'Fits the tank.',
			high: 'More than the sea holds; small changes.'
		},
		magnesium: {
			why: 'Where a salt saves, it saves here first: a sign of its quality.',
			low: 'Thin. Put it right in the barrel, and look at the rest of the salt.',
			inside: 'As it should be.',
			high: 'Rarely a fault; check the reading.'
		},
		nitrate: {
			why: 'A fresh mix should show none.',
			low: 'None: as it should be.',
			inside: 'Some: it came with the water. Test that.',
			high: 'It came with the water, or the barrel is not clean. Do not use it before you know.'
		},
		phosphate: {
			why: 'A fresh mix should show none.',
			low: 'None: as it should be.',
			inside: 'Some: it came with the water. Test that.',
			high: 'It came with the water, or the barrel is not clean.'
		}
	},
	'new-medium': {
		phosphate: {
			why: 'It shows that the medium works, and when it is used up.',
			low: 'It works too well: use less of it.',
			inside: 'It holds phosphate where it is wanted.',
			high: 'Not enough of it, used up, or too little flow through it.'
		},
		nitrate: {
			why: 'Algae no longer warn; only a test tells.',
			low: 'It runs out as well: feed, or take some of the medium out.',
			inside: 'Not touched.',
			high: 'It rises unseen.'
		},
		alkalinity: {
			why: 'Some media take it out in their first days.',
			low: 'The medium took it. Raise it slowly, and use less next time.',
			inside: 'Not touched.',
			high: 'Not from the medium.'
		}
	},
	moved: {
		salinity: {
			why: 'The two waters differ in it first; an animal takes hours to follow.',
			low: 'Bring it over drop by drop, an hour and more.',
			inside: 'It can be brought over in half an hour.',
			high: 'Bring it over drop by drop, an hour and more.'
		},
		temperature: {
			why: 'A step of two degrees costs more than the journey.',
			low: 'Float the closed bag until both are as warm.',
			inside: 'As warm as where it goes.',
			high: 'Float the closed bag until both are as warm.'
		},
		alkalinity: {
			why: 'Tissue at the tips dies where it jumps.',
			low: 'Let the animal settle in calm flow and less light.',
			inside: 'Not alkalinity.',
			high: 'Let the animal settle in calm flow and less light.'
		},
		ph: {
			why: 'In a closed bag it falls; opened, it rises, and with it any ammonia turns harmful.',
			low: 'Open, move over without delay; the water of the bag stays out.',
			inside: 'Not pH.',
			high: 'Any ammonia is worse now: move over at once.'
		},
		nitrate: {
			why: 'It tells how far the two waters are apart in all that nobody measures.',
			low: 'Cleaner than where it came from: paler is not ill, feed.',
			inside: 'Much as where it came from.',
			high: 'Richer than where it came from: watch for brown.'
		}
	},
	'before-change': {
		salinity: {
			why: 'The new water is matched to it.',
			low: 'Mix the new water to where the tank should be, not to where it is; at most half a unit a day.',
			inside: 'A baseline: mix the new water to it.',
			high: 'Thinner new water brings it down; one unit a day at most.'
		},
		magnesium: {
			why: 'A thrifty salt draws it down, change by change.',
			low: 'The change may raise it: look at the new water’s.',
			inside: 'A baseline.',
			high: 'The change may lower it.'
		},
		alkalinity: {
			why: 'The level that the change will move.',
			low: 'The change may raise it: look at the new water’s.',
			inside: 'A baseline.',
			high: 'The change may lower it.'
		},
		calcium: {
			why: 'The level that the change will move.',
			low: 'The change may raise it.',
			inside: 'A baseline.',
			high: 'The change may lower it.'
		},
		nitrate: {
			why: 'It tells how much is worth changing.',
			low: 'No reason to change for it.',
			inside: 'A baseline.',
			high: 'A larger share brings it down further.'
		},
		phosphate: {
			why: 'It tells whether a change is enough.',
			low: 'No reason to change for it.',
			inside: 'A baseline.',
			high: 'Rock gives it back after a change: test again in a week.'
		}
	},
	'after-change': {
		calcium: {
			why: 'It tells what the new water brought.',
			low: 'The new water was low in it.',
			inside: 'As it should be.',
			high: 'The new water was rich in it.'
		},
		nitrate: {
			why: 'It tells whether the change took out its share.',
			low: 'It took out more than is wanted: change less.',
			inside: 'As it should be.',
			high: 'One change takes out its share and no more; see beside what was to be expected.'
		},
		phosphate: {
			why: 'Read again in a week: rock gives it back.',
			low: 'As low as that it starves: change less, feed more.',
			inside: 'As it should be, for now.',
			high: 'Its source goes on: food, rock, the new water itself.'
		},
		salinity: SALINITY,
		alkalinity: {
			why: 'It tells what the new water brought.',
			low: 'The new water was low in it.',
			inside: 'As it should be.',
			high: 'The new water was rich in it.'
		},
		magnesium: {
			why: 'Changes keep it right, or a thrifty salt draws it down.',
			low: 'The salt saves on it.',
			inside: 'The change keeps it right.',
			high: 'Rich salt; no harm.'
		}
	}
};

/** What somebody suspects is tested as well, whatever the panel asks for. */
const SUSPECTED: PanelWords = {
	why: 'Somebody suspects it: read it before anything is done about it.',
	low: 'Too little of it: it may be the cause. Read it once more before you act.',
	inside: 'As it should be: it is not that. Say so, and look on.',
	high: 'Too much of it: it may be the cause. Read it once more before you act.'
};

/** Why a test of a panel is asked for and what it would mean; null where the panel does not ask for it. */
export function panelWords(
	happening: PanelHappening,
	parameter: ParameterId,
	isSuspected = false
): PanelWords | null {
	return PANEL_WORDS[happening][parameter] ?? (isSuspected ? SUSPECTED : null);
}

export const PANEL_TITLES: Readonly<Record<PanelHappening, string>> = {
	death: 'What to test after a death',
	algae: 'What to test when algae spread',
	browning: 'What to test when corals turn brown or lose tissue',
	'new-salt': 'What to test in a new batch',
	'new-medium': 'What to test after a new medium',
	moved: 'What to test when an animal moves',
	'before-change': 'What to test before a water change',
	'after-change': 'What to test after a water change'
};
