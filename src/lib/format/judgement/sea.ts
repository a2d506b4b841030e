import type { Sea } from '$lib/core/judgement';

export const SEA_NAMES: Readonly<Record<Sea, string>> = {
	'atlantic-surface': 'Warm Atlantic, surface',
	'atlantic-deep': 'Atlantic, 1000 m',
	'indian-surface': 'Indian Ocean, surface',
	'indian-deep': 'Indian Ocean, 1000 m',
	'pacific-surface': 'Warm Pacific, surface',
	'pacific-deep': 'Pacific, 1000 m',
	mediterranean: 'Mediterranean, surface'
};
