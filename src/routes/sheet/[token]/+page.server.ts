import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** What a visitor was handed, without a sign-in. Unknown, taken back and too old answer alike. */
export const load = (async ({ locals, params, setHeaders }) => {
	const sheet = await locals.services.visitor.readSheet(params.token);
	if (!sheet) {
		error(404, {
			message: 'There is no such sheet any more. Ask whoever gave it to you for a new one.',
			code: 'not-found'
		});
	}
	setHeaders({ 'cache-control': 'private, no-store', 'x-robots-tag': 'noindex' });
	return { sheet };
}) satisfies PageServerLoad;
