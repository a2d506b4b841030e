import type { ProfileId } from '$lib/core/judgement';

/** Kinds of tanks as somebody says it who has one. */
export const PROFILE_PLAIN: readonly { readonly value: ProfileId; readonly name: string }[] = [
	{ value: 'mixed-reef', name: 'a mixed reef' },
	{ value: 'stony-low-nutrient', name: 'stony corals, few nutrients' },
	{ value: 'fish-only', name: 'fish only' },
	{ value: 'cycling', name: 'just started, cycling' },
	{ value: 'soft-fresh', name: 'soft fresh water' },
	{ value: 'community-fresh', name: 'fresh water' }
];
