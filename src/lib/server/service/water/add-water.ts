import type { AddWater } from '$lib/contract/water';
import { fail, ok, type Result } from '$lib/core/result';
import { instant, isFuture, type Instant } from '$lib/core/time';
import type { Transaction } from '../../repository/database.ts';
import { addMembership, addSite, addWater as addRow } from '../../repository/founding.ts';
import type { Person } from '../../repository/people.ts';
import { takeTurn } from '../../repository/revision.ts';
import { reachOf, type ScopeFor, type SiteScope } from '../../repository/scope.ts';
import { watersOf } from '../../repository/water.ts';
import type { PooledDeps, Within } from '../deps.ts';
import { giveProfile } from '../judgement/judgement-settings.ts';
import { adoptShippedAt, ALWAYS } from '../method/adopt-shipped.ts';
import { once, transact } from '../once.ts';

/** Rows of a water as its keeper told of it: what is not known yet is left out. */
async function rowsOf(within: Within, siteId: string, command: AddWater, place: number): Promise<Instant> {
	const now = within.clock.now();
	const startedAt = command.startedAt === null ? now : instant(command.startedAt);
	const { id, name, kind, hasAnimals, volume, lights } = command;
	await addRow(
		within.db,
		{
			siteId,
			id,
			name: name.trim(),
			kind,
			hasAnimals,
			lightsOnMinute: lights?.onMinute ?? null,
			lightsOffMinute: lights?.offMinute ?? null,
			startedAt,
			createdAt: now,
			place
		},
		{
			volumeId: within.newId(),
			netVolumeL: volume?.litres ?? null,
			...(volume ? { uL: volume.uL } : {}),
			profileId: within.newId(),
			profile: null
		}
	);
	return startedAt;
}

async function profileOf(
	tx: Transaction,
	within: Within,
	scope: SiteScope,
	command: AddWater,
	startedAt: Instant
): Promise<void> {
	if (command.profile === null) return;
	await giveProfile(tx, scope, {
		water: { id: command.id, startedAt },
		command: { profile: { kind: 'shipped', id: command.profile }, fromAt: startedAt },
		now: within.clock.now(),
		newId: within.newId
	});
}

const startsLater = ({ startedAt }: AddWater, now: Instant) => startedAt !== null && isFuture(startedAt, now);

/** One more water at a site, behind the others. */
export async function addWater(
	deps: PooledDeps,
	scope: ScopeFor<'arrange'>,
	command: AddWater
): Promise<Result<{ readonly waterId: string }>> {
	return once(deps, scope, 'add-water', command, async (tx, within) => {
		within.touch('site');
		if (startsLater(command, within.clock.now())) return fail('in-the-future', 'startedAt');
		const waters = await watersOf(tx, scope);
		const startedAt = await rowsOf(within, scope.siteId, command, waters.length);
		await profileOf(tx, within, scope, command, startedAt);
		return ok({ waterId: command.id });
	});
}

/**
 * The first water of a person, and with it their own site: all of it, or nothing. Whoever has one already is told so, and
 * two at once make one.
 */
export async function beginSite(
	deps: PooledDeps,
	person: Person,
	timeZone: string,
	command: AddWater
): Promise<Result<{ readonly waterId: string }>> {
	if (startsLater(command, deps.clock.now())) return fail('in-the-future', 'startedAt');
	const siteId = deps.newId();
	return transact(deps, siteId, async (tx, within) => {
		within.touch('nothing');
		// Two of the same person wait for each other, and the second sees what the first made.
		await takeTurn(tx, person.id);
		const createdAt = within.clock.now();
		const before = (await reachOf(tx, person, createdAt)).filter(
			(r) => r.scope.role === 'owner' && !r.madeUp
		);
		if (before.some((r) => r.water.id === command.id)) return ok({ waterId: command.id });
		if (before.length > 0) return fail('begun-already', 'name');
		await addSite(tx, { id: siteId, name: person.displayName, timeZone, takesShipped: 'chosen', createdAt });
		const member = { siteId, id: within.newId(), personId: person.id, fromAt: createdAt, untilAt: null };
		await addMembership(tx, { ...member, role: 'owner' });
		const startedAt = await rowsOf(within, siteId, command, 0);
		await adoptShippedAt(within, siteId, ALWAYS);
		const own = (await reachOf(tx, person, createdAt)).find((r) => r.scope.siteId === siteId);
		if (own) await profileOf(tx, within, own.scope, command, startedAt);
		within.touch('site');
		return ok({ waterId: command.id });
	});
}
