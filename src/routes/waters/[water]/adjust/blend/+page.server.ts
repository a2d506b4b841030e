import { readBlendWish } from '$lib/contract/correction-wishes';
import { reckonBlend } from '$lib/core/correction';
import { aimOf, PROFILES } from '$lib/core/judgement';
import type { TestResult } from '$lib/core/reading';
import { sourceRead } from '$lib/format/judgement/source-fit';
import type { ParameterId } from '$lib/core/quantity';
import { plain } from '$lib/format/number';
import { askedWater } from '../../../../asked-water';
import { sourceOfSite } from '../../source-of-site';
import type { PageServerLoad } from './$types';

/** What is filled in before anybody typed: the water's own values and its bands. */
export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const { stands } = await services.ask('day', open);
	const isSource = open.water.kind === 'source';
	const figure = (last: TestResult | undefined) =>
		last?.kind === 'value' ? plain(Number(last.value.toPrecision(3))) : '';
	const read = (parameter: ParameterId) => figure(stands.find((s) => s.parameter === parameter)?.last);
	// Looked at from a tank, the tap is the site's own, as it was last read.
	const tap = isSource ? null : await sourceOfSite(locals, open);
	const ofTap = (parameter: ParameterId) => (isSource ? read(parameter) : figure(tap?.read.get(parameter)));
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
		tapKh: given('tapKh', ofTap('alkalinity')),
		tapGh: given('tapGh', ofTap('hardness')),
		pureKh: given('pureKh', '0'),
		kh: given('kh', middle('alkalinity')),
		gh: given('gh', middle('hardness')),
		litres: given('litres', open.water.netVolumeL === null ? '' : plain(open.water.netVolumeL)),
		nowKh: given('nowKh', isSource ? '' : read('alkalinity')),
		nowGh: given('nowGh', isSource ? '' : read('hardness'))
	};
	return {
		tap:
			tap && (asked.tapKh !== '' || asked.tapGh !== '')
				? `${tap.name}, ${sourceRead(tap.lastReadAt, open.scope.timeZone, services.clock.now())}.`
				: null,
		purified: (await services.purified.readPurified(open.scope)).state,
		given: asked,
		answer: reckonBlend(readBlendWish(new URLSearchParams(asked)).wish)
	};
}) satisfies PageServerLoad;
