import { askedWater } from '../../../asked-water';
import type { SeaRow } from '$lib/contract/sea';
import { pointOf } from '$lib/core/reading';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import type { PageServerLoad } from './$types';

/** The water as it is known now, to be held against the seas. */
export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { today } = await locals.services.ask('day', open);
	const rows = today.rows.flatMap(({ parameter, estimate, last }): SeaRow[] => {
		const known = estimate?.now ?? pointOf(last.result);
		return known ? [{ parameter, value: known.value, u: standardUncertaintyOf(known), readAt: last.at }] : [];
	});
	return { rows };
}) satisfies PageServerLoad;
