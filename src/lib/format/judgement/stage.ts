import type { AdviceId, StageId } from '$lib/core/judgement';

export const STAGE_NAMES: Readonly<Record<StageId, string>> = {
	cycling: 'Cycling',
	young: 'Young, in its first year',
	settled: 'Settled',
	neglected: 'Left alone for long',
	'soft-fresh': 'Soft fresh water',
	'community-fresh': 'Community fresh water'
};

/** Advice that stands as long as a water is in a stage. */
export const ADVICE: Readonly<Record<AdviceId, string>> = {
	'no-animals-yet': 'No animals until the cycle is done: what feeds the bacteria now would harm them.',
	'source-of-ammonia':
		'Keep a small source of ammonia until both have been clear for days; do not add more once it has peaked.',
	'first-zero-is-provisional':
		'A first zero is provisional. Test the next days before the large water change.',
	'add-slowly': 'Add animals few at a time, and test ammonia and nitrite in the week after.',
	'learn-the-use':
		'Weekly alkalinity and calcium teach you what this tank uses; another tank’s dose is no guide.',
	'keep-nutrients-low': 'A young tank does best with little nitrate; an older one bears more.',
	'alkalinity-first': 'If there is time for one test, make it alkalinity: it moves fastest.',
	'steady-beats-exact': 'Steady water matters more than the exact figure.',
	'nutrients-not-zero': 'Keep nitrate and phosphate low, but never at zero for long.',
	'kits-for-trouble': 'Keep the ammonia kit: after the cycle it is for trouble only.',
	'test-before-touching': 'Test before you touch anything: nobody knows what this water has become.',
	'ammonia-then-buffer': 'Ammonia first, then the buffer slowly: raising pH turns old ammonia into poison.',
	'small-steps': 'Small water changes over weeks. Animals have grown used to what is there.',
	'soft-has-little-buffer':
		'Soft water has little buffer. Read alkalinity every two weeks, and pH when it falls.',
	'match-new-water':
		'Bring new water to the tank’s temperature and hardness before it goes in, and bind chlorine.',
	'buffer-means-ph': 'As long as the buffer stands, pH and the bacteria are probably fine.'
};
