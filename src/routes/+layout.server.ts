import type { LayoutServerLoad } from './$types';

export const load = (({ locals }) => ({
	preferences: locals.preferences,
	/** Somebody's own Tevrik, where people have accounts; the demo has none. */
	hasAccounts: locals.accounts !== null && !locals.isDemo,
	clock: locals.clockSetting ? { nowMs: locals.services.clock.now(), rate: locals.clockSetting.rate } : null
})) satisfies LayoutServerLoad;
