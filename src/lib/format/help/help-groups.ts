/** Topics by what they are about, each in one place; every topic has one. */
export const HELP_GROUPS = [
	{
		title: 'Reading and titrating',
		topics: [
			'edge',
			'left-used',
			'air',
			'interval',
			'half-drop',
			'titration',
			'indicator',
			'stream',
			'fades',
			'bottle',
			'shake-bottle',
			'sample-size',
			'daylight',
			'blank',
			'between-steps',
			'bounds',
			'gravity',
			'two-methods'
		]
	},
	{
		title: 'Judging, and going on',
		topics: [
			'grades',
			'expected',
			'when-next',
			'dangers',
			'standard',
			'keep-water',
			'groups',
			'ocean-range',
			'husbandry-first'
		]
	},
	{
		title: 'Alkalinity, calcium, magnesium, potassium',
		topics: [
			'alkalinity-names',
			'moves-fastest',
			'skeleton',
			'linked',
			'precipitate',
			'calcium-sea',
			'calcium-ways',
			'calcium-other',
			'magnesium-slow',
			'thin-mix',
			'potassium',
			'salinity-first'
		]
	},
	{
		title: 'Nitrogen, phosphate, the cycle',
		topics: [
			'nitrogen',
			'cycle',
			'ammonia',
			'nitrite',
			'nitrate',
			'nitrate-zero',
			'nitrate-source',
			'nitrite-nitrate',
			'nitrite-in-nitrate',
			'nutrients-zero',
			'phosphate',
			'media',
			'medium-hides'
		]
	},
	{
		title: 'pH, hardness, new water',
		topics: [
			'ph-day',
			'ph-swing',
			'kh-ph',
			'buffer',
			'uses-buffer',
			'change-buffer',
			'gh',
			'shrimp',
			'ro',
			'fresh-mix',
			'old-tank'
		]
	}
] as const;
