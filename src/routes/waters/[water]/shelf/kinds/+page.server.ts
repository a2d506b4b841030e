import { longestDays } from '$lib/core/judgement';
import type { Method } from '$lib/core/method';
import { PARAMETER_IDS, type ParameterId } from '$lib/core/quantity';
import { READING_WAYS, whatToGet, type Wanted } from '$lib/core/shelf';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

const DAYS = 365;
const WEEKS = 52;

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services, preferences } = locals;
	const [bench, shelf] = await Promise.all([
		services.bench.readBench(open, preferences),
		services.ask('shelf', open, preferences)
	]);
	const way = READING_WAYS.find((w) => w === url.searchParams.get('way')) ?? 'any';
	const methods = bench.offers.map((o) => o.method);
	/** Tests a year by the sets that have fixed days; else by the longest pause. */
	const paceOf = (parameter: ParameterId): number => {
		const bySets = (bench.sets ?? []).reduce((sum, set) => {
			const own = set.tests.filter(
				(t) => methods.find((m) => m.code === t.methodCode)?.parameter === parameter
			);
			return sum + own.reduce((n, t) => n + t.times, 0) * set.weekdays.length * WEEKS;
		}, 0);
		const days = longestDays(parameter, bench.cadence);
		return Math.max(bySets, days === null ? 0 : Math.ceil(DAYS / days));
	};
	const wanted = PARAMETER_IDS.flatMap((parameter): Wanted[] => {
		const perYear = paceOf(parameter);
		if (perYear === 0 || !bench.usual.includes(parameter)) return [];
		const due = bench.due.find((d) => d.parameter === parameter);
		const hasKit = bench.kits.some((k) => k.parameters.includes(parameter));
		return [{ parameter, perYear, weight: due?.weight ?? 0, hasKit }];
	});
	const paid = (method: Method) =>
		shelf.things.findLast((t) => t.method?.code === method.code && t.price !== null)?.price ??
		method.pack.price;
	return {
		way,
		list: whatToGet(wanted, methods, way, paid).map(({ kinds, ...one }) => ({
			...one,
			kinds: kinds.map(({ method, ...k }) => ({ ...k, code: method.code, name: method.name }))
		}))
	};
}) satisfies PageServerLoad;
