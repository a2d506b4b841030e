import { readBlendWish } from '$lib/contract/correction-wishes';
import { reckonBlend } from '$lib/core/correction';
import { aimOf, PROFILES } from '$lib/core/judgement';
import type { ParameterId } from '$lib/core/quantity';
import { plain } from '$lib/format/number';
import { askedWater } from '../../../../asked-water';
import type { PageServerLoad } from './$types';

/** What is filled in before anybody typed: the water's own values and its bands. */
export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const { stands } = await services.ask('day', open);
	const source = open.water.kind === 'source';
	const read = (parameter: ParameterId) => {
		const last = stands.find((s) => s.parameter === parameter)?.last;
		return last?.kind === 'value' ? plain(Number(last.value.toPrecision(3))) : '';
	};
	const bands = PROFILES[open.water.profile ?? 'soft-fresh'].bands as Partial<
		Record<ParameterId, { low: number | null; high: number | null; aim: number | null }>
	>;
	const middle = (parameter: ParameterId) => {
		const band = bands[parameter];
		if (!band) return '';
		// Of a band that is open below, half of its most.
		const aim = aimOf({ ...band, low: band.low ?? 0, high: band.high ?? band.low ?? 0 })!;
		return aim > 0 ? plain(Number(aim.toPrecision(2))) : '';
	};
	const given = (name: string, usual: string) => url.searchParams.get(name) ?? usual;
	const asked = {
		tapKh: given('tapKh', source ? read('alkalinity') : ''),
		tapGh: given('tapGh', source ? read('hardness') : ''),
		pureKh: given('pureKh', '0'),
		kh: given('kh', middle('alkalinity')),
		gh: given('gh', middle('hardness')),
		litres: given('litres', open.water.netVolumeL === null ? '' : plain(open.water.netVolumeL)),
		nowKh: given('nowKh', source ? '' : read('alkalinity')),
		nowGh: given('nowGh', source ? '' : read('hardness'))
	};
	return {
		purified: (await services.purified.readPurified(open.scope)).state,
		given: asked,
		answer: reckonBlend(readBlendWish(new URLSearchParams(asked)).wish)
	};
}) satisfies PageServerLoad;
