import { may } from '$lib/core/access';
import { addDays, steadySpans } from '$lib/core/time';
import { dangerWords, type MatterWords } from '$lib/format/judgement/matter';
import { askedWater } from '../../asked-water';
import type { LayoutServerLoad } from './$types';

/** The days whose zone is told with every page. */
const [BACK_DAYS, AHEAD_DAYS] = [800, 400];

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	// Asked anew on every page, wherever one comes from: they may have passed, or have come up.
	void url.pathname;
	const context = {
		units: locals.preferences.units,
		timeZone: open.scope.timeZone,
		now: locals.services.clock.now(),
		base: `/waters/${open.water.id}`
	};
	// Null where nobody knows: it is said, and not taken for none.
	let dangers: MatterWords[] | null = null;
	try {
		const { dangers: found } = await locals.services.ask('day', open);
		dangers = found.map((matter) => dangerWords(matter, context));
	} catch (fault) {
		// A water that cannot be judged says so on the pages that judge it; its log has to open all the same.
		if (!(fault instanceof RangeError || fault instanceof TypeError)) throw fault;
	}
	const { water } = open;
	const runs = water.kind === 'tank' && water.endedAt === null;
	const { role } = open.scope;
	// Whoever has bands of their own said what is wanted, if not what it is.
	const asksKind =
		runs &&
		may(role, 'decide') &&
		water.profile === null &&
		(await locals.services.water.targetsOf(open.scope, water.id)).length === 0;
	return {
		asksKind,
		asksVolume: runs && may(role, 'arrange') && water.netVolumeL === null,
		askId: locals.services.newId(),
		dangers,
		water: open.water,
		siblings: open.siblings,
		madeUp:
			locals.accounts !== null &&
			!locals.isDemo &&
			open.reach.some((r) => r.water.id === open.water.id && r.madeUp),
		account: locals.signedInBy === 'account' ? (locals.person?.displayName ?? null) : null,
		isDemo: locals.isDemo,
		place: locals.person?.place ?? null,
		readers: locals.person?.place ? await locals.services.people.readersAt(locals.person.place) : [],
		role,
		timeZone: open.scope.timeZone,
		// A browser takes long to find out by itself; what lies further off it asks of its platform.
		zone: steadySpans(
			open.scope.timeZone,
			addDays(context.now, -BACK_DAYS),
			addDays(context.now, AHEAD_DAYS)
		),
		now: context.now
	};
}) satisfies LayoutServerLoad;
