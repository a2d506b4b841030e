import {
	MATCHED,
	type CauseId,
	type ChangeStep,
	type HusbandryId,
	type NeglectedStep,
	type RemedyId
} from '$lib/core/correction';

export const CAUSES: Readonly<Record<CauseId, string>> = {
	overfed: 'More food than is eaten within minutes?',
	'too-many-animals': 'New animals, or too many for the filter?',
	'uncured-rock': 'New rock that was not cured?',
	'dead-animal': 'An animal missing, dead behind the rock?',
	'filter-stopped': 'A pump, skimmer or filter that stood still, or was cleaned too well?',
	'medium-spent': 'Phosphate medium that is spent?',
	'medium-strips': 'Phosphate medium that is fresh, or too much of it?',
	'export-too-strong': 'Skimmer, refugium or an additive that takes out more than comes in?',
	'little-food': 'Very little food, or few animals?',
	'source-water': 'Source water or a fresh mix that brings it in?',
	'new-tank': 'A tank in its first weeks?',
	'closed-room': 'A closed room full of people, or a covered tank?',
	'low-buffer': 'Alkalinity out of its band as well?',
	'heater-fault': 'A heater or its thermostat at fault?',
	'fan-or-room': 'The room, the lamps, a fan, the season?'
};

export const REMEDIES: Readonly<Record<RemedyId, string>> = {
	'feed-less': 'Feed less: half for a week, nothing left lying.',
	'add-animals-slower': 'Add no animals until it has settled, then slower.',
	'cure-rock': 'Take rock that was not cured out, and cure it apart.',
	'take-out-dead': 'Look for a dead animal and take it out.',
	'restart-filter': 'Set pumps, skimmer and filter right; do not clean all media at once.',
	'export-more': 'Export more: tune the skimmer, enlarge the refugium, shake out filter socks.',
	'renew-medium': 'Renew the phosphate medium, a part at a time.',
	'less-medium': 'Take half of the phosphate medium out, or slow its flow.',
	'let-rise': 'Let it rise by itself, and look at it every few days.',
	'feed-more': 'Feed a little more, spread over the day.',
	'change-water': 'Change water in small steps.',
	'purify-source': 'Purify the source water, and check it with a meter.',
	'bind-ammonia': 'Bind ammonia with a product made for it, by its label. Kits may still show it as bound.',
	'no-new-animals': 'No new animals until it is clear for days.',
	'fresh-air': 'Let fresh air in, or draw the skimmer’s air from outside.',
	'raise-buffer': 'Raise alkalinity into its band, slowly.',
	'watch-nuisance': 'Watch for a film on sand and rock: water without nutrients invites it.',
	'check-heater': 'Unplug, then check heater and thermostat with a second thermometer.',
	'warm-slowly': 'Warm by half a degree a day, a degree at most.',
	'cool-slowly': 'Cool by half a degree a day: fan, lamps off; never with ice in the tank.',
	'stop-dosing': 'Stop what is dosed for alkalinity until pH is back.'
};

export const HUSBANDRY_TITLES: Readonly<Record<HusbandryId, string>> = {
	'nitrate-high': 'Nitrate is high',
	'nitrate-low': 'Nitrate is low',
	'phosphate-high': 'Phosphate is high',
	'phosphate-low': 'Phosphate is low',
	ammonia: 'Ammonia or nitrite is there',
	'ph-low': 'pH is low',
	'ph-high': 'pH is high',
	'temperature-low': 'The water is too cold',
	'temperature-high': 'The water is too warm'
};

export const NEGLECTED: Readonly<Record<NeglectedStep, string>> = {
	'test-first': 'Test before touching anything: ammonia, pH, alkalinity, nitrate, temperature.',
	'bind-ammonia':
		'Bind or remove ammonia first. At the low pH of such a tank it is mostly harmless; it turns poisonous as pH rises.',
	'carbonate-slowly': 'Then raise carbonate slowly, over days, never in one dose.',
	'small-changes':
		'Then change water in small steps, a tenth at a time, with water of its own temperature and salinity.',
	'test-between': 'Test ammonia and pH between all of these.',
	'feed-little': 'Feed little until it has settled. One big change or a cleaned filter harms most.'
};

export const CHANGE_WORDS: Readonly<Record<ChangeStep, string>> = {
	'mixed-and-tested': 'The new water was mixed the day before, aerated, and tested.',
	matched: `Its temperature is within ${MATCHED.temperatureC} °C and its salinity within ${MATCHED.salinity} of the tank’s.`,
	'heater-off': 'Heaters are off: dry, they crack and burn.',
	'pumps-off': 'Pumps and skimmer are off.',
	'top-up-off': 'The automatic top-up is off, or it fills the gap with fresh water.',
	siphon: 'Siphon out what was planned; never start it by mouth.',
	refill: 'Refill slowly, on a plate or the glass, not on corals.',
	'top-up-on': 'Automatic top-up on again.',
	'pumps-on': 'Pumps and skimmer on again; water flows everywhere.',
	'heater-on': 'Heaters on again, once they are under water.',
	checked: 'After ten minutes: temperature, level, salinity, and all animals looked at.'
};
