import type { ParameterId } from '../../quantity/index.ts';

/** What may lie behind a finding; asked before any remedy. Put into words by `format/`. */
export type CauseId =
	| 'overfed'
	| 'too-many-animals'
	| 'uncured-rock'
	| 'dead-animal'
	| 'filter-stopped'
	| 'medium-spent'
	| 'medium-strips'
	| 'export-too-strong'
	| 'little-food'
	| 'source-water'
	| 'new-tank'
	| 'closed-room'
	| 'low-buffer'
	| 'heater-fault'
	| 'fan-or-room';

export type RemedyId =
	| 'feed-less'
	| 'add-animals-slower'
	| 'cure-rock'
	| 'take-out-dead'
	| 'restart-filter'
	| 'export-more'
	| 'renew-medium'
	| 'less-medium'
	| 'let-rise'
	| 'feed-more'
	| 'change-water'
	| 'purify-source'
	| 'bind-ammonia'
	| 'no-new-animals'
	| 'fresh-air'
	| 'raise-buffer'
	| 'watch-nuisance'
	| 'check-heater'
	| 'warm-slowly'
	| 'cool-slowly'
	| 'stop-dosing';

export interface Husbandry {
	/** In the order in which they are worth asking. */
	readonly causes: readonly CauseId[];
	readonly remedies: readonly RemedyId[];
	/** Tests after so many days, to see whether it works. */
	readonly testEveryDays: number;
	readonly tests: readonly ParameterId[];
	/** Over so many days something should be seen. */
	readonly overDays: number;
}

export const HUSBANDRY = {
	'nitrate-high': {
		causes: ['overfed', 'too-many-animals', 'dead-animal', 'uncured-rock', 'source-water'],
		remedies: ['feed-less', 'export-more', 'add-animals-slower', 'cure-rock', 'change-water'],
		testEveryDays: 7,
		tests: ['nitrate', 'phosphate'],
		overDays: 28
	},
	'nitrate-low': {
		causes: ['export-too-strong', 'medium-strips', 'little-food'],
		remedies: ['let-rise', 'feed-more', 'less-medium', 'watch-nuisance'],
		testEveryDays: 5,
		tests: ['nitrate', 'phosphate'],
		overDays: 21
	},
	'phosphate-high': {
		causes: ['overfed', 'medium-spent', 'dead-animal', 'source-water'],
		remedies: ['feed-less', 'renew-medium', 'export-more', 'change-water'],
		testEveryDays: 7,
		tests: ['phosphate', 'nitrate'],
		overDays: 28
	},
	'phosphate-low': {
		causes: ['medium-strips', 'export-too-strong', 'little-food'],
		remedies: ['less-medium', 'let-rise', 'feed-more', 'watch-nuisance'],
		testEveryDays: 5,
		tests: ['phosphate', 'nitrate'],
		overDays: 21
	},
	ammonia: {
		causes: ['dead-animal', 'filter-stopped', 'overfed', 'too-many-animals', 'uncured-rock', 'new-tank'],
		remedies: ['bind-ammonia', 'take-out-dead', 'restart-filter', 'feed-less', 'no-new-animals'],
		testEveryDays: 1,
		tests: ['ammonia', 'nitrite', 'ph'],
		overDays: 7
	},
	'ph-low': {
		causes: ['closed-room', 'low-buffer'],
		remedies: ['fresh-air', 'raise-buffer'],
		testEveryDays: 2,
		tests: ['ph', 'alkalinity'],
		overDays: 7
	},
	'ph-high': {
		causes: ['low-buffer'],
		remedies: ['stop-dosing'],
		testEveryDays: 1,
		tests: ['ph', 'alkalinity'],
		overDays: 4
	},
	'temperature-low': {
		causes: ['heater-fault', 'fan-or-room'],
		remedies: ['check-heater', 'warm-slowly'],
		testEveryDays: 1,
		tests: ['temperature'],
		overDays: 3
	},
	'temperature-high': {
		causes: ['heater-fault', 'fan-or-room'],
		remedies: ['check-heater', 'cool-slowly'],
		testEveryDays: 1,
		tests: ['temperature'],
		overDays: 3
	}
} as const satisfies Readonly<Record<string, Husbandry>>;
export type HusbandryId = keyof typeof HUSBANDRY;
export const HUSBANDRY_IDS = Object.keys(HUSBANDRY) as readonly HusbandryId[];
