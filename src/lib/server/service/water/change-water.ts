import type { ChangeWater, ChangeZone, OrderWaters } from '$lib/contract/water';
import { fail, ok, type Result } from '$lib/core/result';
import { instant, isFuture, isZone } from '$lib/core/time';
import { renewSite } from '../../repository/founding.ts';
import type { ScopeFor } from '../../repository/scope.ts';
import { addLights, addVolume, renewWater, waterAt, watersOf } from '../../repository/water.ts';
import type { PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Changes something about a water from a time on. What was judged before that keeps what it was judged by. */
export async function changeWater(
	deps: PooledDeps,
	scope: ScopeFor<'arrange'>,
	command: ChangeWater
): Promise<Result<{ readonly waterId: string }>> {
	return once(deps, scope, 'change-water', command, async (tx, within) => {
		// Its name and whether it runs are shown wherever the waters of the site are.
		within.touch('site');
		const now = within.clock.now();
		const { waterId, change } = command;
		const water = await waterAt(tx, scope, waterId, now);
		if (!water) return fail('unknown-item', 'waterId');
		const said = instant(command.fromAt);
		// A time is typed to the minute: the minute of its begin is no time before it.
		const sameMinute = said < water.startedAt && water.startedAt - said < 60_000;
		const fromAt = sameMinute ? water.startedAt : said;
		if (isFuture(fromAt, now)) return fail('in-the-future', 'fromAt');
		if (fromAt < water.startedAt) return fail('ends-before-begin', 'fromAt');
		const row = { id: within.newId(), waterId, fromAt, receivedAt: now };
		switch (change.kind) {
			case 'name':
				await renewWater(tx, scope, waterId, { name: change.name.trim() });
				break;
			case 'volume':
				await addVolume(tx, scope, { ...row, netVolumeL: change.volume.litres, uL: change.volume.uL });
				break;
			case 'lights':
				await addLights(tx, scope, {
					...row,
					onMinute: change.lights?.onMinute ?? null,
					offMinute: change.lights?.offMinute ?? null
				});
				break;
			case 'animals':
				await renewWater(tx, scope, waterId, { hasAnimals: change.hasAnimals });
				break;
			case 'ended':
				await renewWater(tx, scope, waterId, { endedAt: fromAt });
				break;
			case 'runs-again':
				await renewWater(tx, scope, waterId, { endedAt: null });
				break;
		}
		return ok({ waterId });
	});
}

/** Where the waters of a site stand. Moments stay what they were; days and times of day are told by the new clock. */
export async function changeZone(
	deps: PooledDeps,
	scope: ScopeFor<'arrange'>,
	command: ChangeZone
): Promise<Result<{ readonly timeZone: string }>> {
	return once(deps, scope, 'change-zone', command, async (tx, within) => {
		within.touch('site');
		const { timeZone } = command;
		if (!isZone(timeZone)) return fail('invalid-field', 'timeZone', { rule: 'zone' });
		await renewSite(tx, scope.siteId, { timeZone });
		return ok({ timeZone });
	});
}

/** Puts the waters of a site in order. One that is not named stands behind those that are. */
export async function orderWaters(
	deps: PooledDeps,
	scope: ScopeFor<'arrange'>,
	command: OrderWaters
): Promise<Result<{ readonly waters: number }>> {
	return once(deps, scope, 'order-waters', command, async (tx, within) => {
		within.touch('site');
		const own = (await watersOf(tx, scope)).filter((w) => w.guestUntil === null).map((w) => w.id);
		const foreign = command.waterIds.find((id) => !own.includes(id));
		if (foreign !== undefined) return fail('unknown-item', 'waterIds');
		const order = [...command.waterIds, ...own.filter((id) => !command.waterIds.includes(id))];
		for (const [place, waterId] of order.entries()) await renewWater(tx, scope, waterId, { place });
		return ok({ waters: order.length });
	});
}
