import { GUEST_DAYS, type AddGuest, type KeepGuest } from '$lib/contract/guest';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays, type Instant } from '$lib/core/time';
import { addWater } from '../../repository/founding.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { nameGuestsOver, renewWater, waterAt, watersOf } from '../../repository/water.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { giveProfile } from '../judgement/judgement-settings.ts';
import { once } from '../once.ts';

/** What is left of whose bottle it was, once its time is over. */
const NOBODY = 'A bottle';

/** Whose bottles they were is forgotten of those whose time is over. Asked as the server begins, and each day. */
export async function forgetGuests({ db, clock }: Deps): Promise<void> {
	await nameGuestsOver(db, clock.now(), NOBODY);
}

/** Takes a stranger's bottle in: it is tested, and no tank of this house. */
export async function addGuest(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: AddGuest
): Promise<Result<{ readonly waterId: string }>> {
	return once(deps, scope, 'add-guest', command, async (tx, within) => {
		within.touch('site');
		const now = within.clock.now();
		const waters = await watersOf(tx, scope);
		const name = command.name.trim();
		if (name === '') return fail('invalid-field', 'name', { rule: 'missing' });
		await addWater(
			tx,
			{
				siteId: scope.siteId,
				id: command.guestId,
				name,
				kind: 'collected',
				// Whatever it came from, something lives there: dangers are told.
				hasAnimals: true,
				lightsOnMinute: null,
				lightsOffMinute: null,
				startedAt: now,
				createdAt: now,
				guestUntil: addDays(now, GUEST_DAYS),
				place: waters.length
			},
			{ volumeId: within.newId(), netVolumeL: null, profileId: within.newId(), profile: null }
		);
		await giveProfile(tx, scope, {
			water: { id: command.guestId, startedAt: now },
			command: { profile: { kind: 'shipped', id: command.profile }, fromAt: now },
			now,
			newId: within.newId
		});
		return ok({ waterId: command.guestId });
	});
}

/** A bottle becomes a water of the house, with all that was read of it. */
export async function keepGuest(
	deps: PooledDeps,
	scope: ScopeFor<'arrange'>,
	command: KeepGuest
): Promise<Result<{ readonly waterId: string }>> {
	return once(deps, scope, 'keep-guest', command, async (tx, within) => {
		within.touch('site');
		const guest = await waterAt(tx, scope, command.guestId, within.clock.now());
		if (!guest || guest.guestUntil === null) return fail('unknown-item', 'guestId');
		await renewWater(tx, scope, command.guestId, { guestUntil: null });
		return ok({ waterId: command.guestId });
	});
}

/** Bottles of strangers whose time is not over, newest first. */
export async function readGuests(
	deps: Deps,
	scope: SiteScope
): Promise<
	readonly {
		readonly id: string;
		readonly name: string;
		readonly startedAt: Instant;
		readonly guestUntil: Instant;
	}[]
> {
	const now = deps.clock.now();
	return (await watersOf(deps.db, scope))
		.flatMap(({ id, name, startedAt, guestUntil }) =>
			guestUntil !== null && guestUntil > now ? [{ id, name, startedAt, guestUntil }] : []
		)
		.sort((a, b) => b.startedAt - a.startedAt);
}
