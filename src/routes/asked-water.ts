import { error } from '@sveltejs/kit';
import type { OpenWater } from '$lib/server/service/water/open-water';
import type { WaterFormContext } from '$lib/server/validation/command-of-form';

/**
 * The water that a page is about.
 *
 * @throws 404 where there is none, or none that this person may see
 */
export async function askedWater(
	locals: App.Locals,
	{ water }: { readonly water: string }
): Promise<OpenWater> {
	const open = await locals.openWater(water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	return open;
}

/** What it takes to understand a form of this water as its reader meant it. */
export function formContext({ preferences }: App.Locals, { scope, water }: OpenWater): WaterFormContext {
	return { timeZone: scope.timeZone, units: preferences.units, waterId: water.id };
}
