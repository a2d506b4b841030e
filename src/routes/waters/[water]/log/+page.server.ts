import { toJson } from '$lib/contract/json';
import { packed } from '$lib/contract/log';
import { isParameterId, type ParameterId } from '$lib/core/quantity';
import { instant } from '$lib/core/time';
import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	await locals.services.laboratory.collectAnswers(open.scope);
	const asked = url.searchParams.get('what') ?? '';
	const what: ParameterId | 'events' | null = isParameterId(asked) || asked === 'events' ? asked : null;
	const everywhere = url.searchParams.get('waters') === 'all';
	const before = Number(url.searchParams.get('before'));
	const page = await locals.services.log.readLog(open.scope, {
		waterId: everywhere ? null : open.water.id,
		what,
		before: Number.isSafeInteger(before) && before > 0 ? instant(before) : null
	});
	return { entries: toJson(packed(page.entries)), older: page.older, what, everywhere };
}) satisfies PageServerLoad;
