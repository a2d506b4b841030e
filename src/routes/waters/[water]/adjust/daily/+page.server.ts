import { readDailyWish } from '$lib/contract/correction-wishes';
import { reckonDaily } from '$lib/core/correction';
import { suppliesOf } from '$lib/contract/supplies';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { supplements, ...daily } = await locals.services.ask('daily', open);
	const supplies = suppliesOf(supplements);
	const { given } = daily;
	const asked = given ? readDailyWish(url.searchParams, given.volumeL.value, supplies) : null;
	return {
		...daily,
		supplies,
		asked: asked && { ...asked, query: url.search, looked: url.searchParams.get('looked') === 'yes' },
		answer: given && asked ? reckonDaily(given, asked.wish) : null
	};
}) satisfies PageServerLoad;
