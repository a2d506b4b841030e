import { error } from '@sveltejs/kit';
import { toJson } from '$lib/contract/json';
import { packed } from '$lib/contract/log';
import { isParameterId, type ParameterId } from '$lib/core/quantity';
import { instant } from '$lib/core/time';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await locals.openWater(params.water);
	if (!open) error(404, { message: 'There is no such water.', code: 'not-found' });
	await locals.services.collectAnswers(open.scope);
	const asked = url.searchParams.get('what') ?? '';
	const what: ParameterId | 'events' | null = isParameterId(asked) || asked === 'events' ? asked : null;
	const everywhere = url.searchParams.get('waters') === 'all';
	const before = Number(url.searchParams.get('before'));
	const page = await locals.services.readLog(open.scope, {
		waterId: everywhere ? null : open.water.id,
		what,
		before: Number.isSafeInteger(before) && before > 0 ? instant(before) : null
	});
	return { entries: toJson(packed(page.entries)), older: page.older, what, everywhere };
}) satisfies PageServerLoad;
