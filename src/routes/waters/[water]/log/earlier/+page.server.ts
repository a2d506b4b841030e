import { PROFILES } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

/** Columns where nothing is known of the water yet. */
const USUAL: readonly ParameterId[] = [
	'alkalinity',
	'calcium',
	'magnesium',
	'nitrate',
	'phosphate',
	'salinity'
];
/** More columns are added by whoever needs them. */
const MOST_COLUMNS = 6;

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const methods = await locals.services.method.readMethods(open.scope);
	const { profile } = open.water;
	const judged = profile ? (Object.keys(PROFILES[profile].bands) as ParameterId[]) : [];
	const columns = profile
		? [...USUAL.filter((p) => judged.includes(p)), ...judged.filter((p) => !USUAL.includes(p))]
		: USUAL;
	return { methods: methods.map((m) => m.method), columns: columns.slice(0, MOST_COLUMNS) };
}) satisfies PageServerLoad;
