import type { LayoutServerLoad } from './$types';

export const load = (({ locals }) => ({
	preferences: locals.preferences,
	signedIn: locals.person !== null,
	clock: locals.clockSetting ? { nowMs: locals.services.clock.now(), rate: locals.clockSetting.rate } : null
})) satisfies LayoutServerLoad;
