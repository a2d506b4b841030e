import { error } from '@sveltejs/kit';
import { END_POINT_MODES, SCALES } from '$lib/core/practice';
import { titrationsOf } from '$lib/core/method';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

const EXERCISES = ['end-point', 'steps', 'scale', 'count', 'time', 'scoop', 'colours'] as const;

export const load = (async ({ locals, params, url, depends }) => {
	depends('tevrik:practice');
	const open = await askedWater(locals, params);
	const exercise = EXERCISES.find((e) => e === params.exercise);
	if (!exercise) error(404, { message: 'There is no such exercise.', code: 'not-found' });
	const practice = await locals.services.practice.readPractice(open.scope);
	const asked = url.searchParams;
	const fits = practice.methods.filter((m) =>
		exercise === 'end-point' ? titrationsOf(m).length > 0 : exercise === 'steps' ? 'colourSteps' in m : true
	);
	const method = fits.find((m) => m.code === asked.get('kit')) ?? fits[0] ?? null;
	if (!method && (exercise === 'end-point' || exercise === 'steps')) {
		error(404, {
			message: 'No kit of this house can be practised so. Choose your kits first.',
			code: 'not-found'
		});
	}
	const second = asked.get('which') === '1' && method !== null && titrationsOf(method).length > 1;
	return {
		exercise,
		practice,
		method,
		which: second ? (1 as const) : (0 as const),
		mode: END_POINT_MODES.find((m) => m === asked.get('mode')) ?? ('plain' as const),
		scale: SCALES.find((s) => s === asked.get('scale')) ?? SCALES[0]
	};
}) satisfies PageServerLoad;
