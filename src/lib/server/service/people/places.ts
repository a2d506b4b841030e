import { randomBytes } from 'node:crypto';
import type { AddPlace, RevokePlace } from '$lib/contract/people';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays } from '$lib/core/time';
import { digestOf } from '../../digest.ts';
import { isDuplicate } from '../../repository/database.ts';
import { addMembership, addPerson } from '../../repository/founding.ts';
import { changeMembership } from '../../repository/member.ts';
import { addPlaceRow, placeOfLink, placesAt, revokePlaceRow, takeUpPlace } from '../../repository/place.ts';
import type { ScopeFor } from '../../repository/scope.ts';
import type { PooledDeps } from '../deps.ts';
import { once, transact } from '../once.ts';
import { noted } from './note-deed.ts';

/** A device is at hand when its link is made. */
const LINK_DAYS = 1;

/** Makes a link by which one device becomes a place. By itself a place only looks. */
export async function addPlace(
	deps: PooledDeps,
	scope: ScopeFor<'people'>,
	command: AddPlace
): Promise<Result<{ readonly token: string }>> {
	const token = randomBytes(32).toString('base64url');
	const name = command.name.trim();
	if (name === '') return fail('invalid-field', 'name', { rule: 'missing' });
	try {
		await transact(deps, scope.siteId, async (tx, within) => {
			within.touch('nothing');
			const now = within.clock.now();
			const [personId, membershipId] = [within.newId(), within.newId()];
			await addPerson(tx, { id: personId, displayName: name, createdAt: now });
			await addMembership(tx, {
				siteId: scope.siteId,
				id: membershipId,
				personId,
				role: 'reader',
				fromAt: now,
				untilAt: null
			});
			await addPlaceRow(tx, scope, {
				id: command.id,
				name,
				membershipId,
				linkDigest: digestOf(token),
				linkExpiresAt: addDays(now, LINK_DAYS),
				tokenDigest: null,
				createdAt: now
			});
			await noted(within, scope, { kind: 'place-added', name });
		});
	} catch (error) {
		if (isDuplicate(error)) return fail('id-taken', 'id');
		throw error;
	}
	return ok({ token });
}

/** Signs the device of a place out, for good. */
export async function revokePlace(
	deps: PooledDeps,
	scope: ScopeFor<'people'>,
	command: RevokePlace
): Promise<Result<{ readonly placeId: string }>> {
	return once(deps, scope, 'revoke-place', command, async (tx, within) => {
		within.touch('nothing');
		const now = within.clock.now();
		const place = (await placesAt(tx, scope)).find((p) => p.id === command.placeId);
		if (!place || !(await revokePlaceRow(tx, scope, place.id, now))) return fail('unknown-item', 'placeId');
		await changeMembership(tx, scope, place.membershipId, { untilAt: now });
		await noted(within, scope, { kind: 'place-revoked', name: place.name });
		return ok({ placeId: place.id });
	});
}

/** What a device would become by a link; null where that was used, or its time is over. */
export async function readPlaceLink(
	{ db, clock }: PooledDeps,
	link: string
): Promise<{ readonly name: string; readonly site: string } | null> {
	return placeOfLink(db, digestOf(link), clock.now());
}

/** Makes the device that asks the place of a link. Its token is told to it alone. */
export async function becomePlace(
	deps: PooledDeps,
	link: string
): Promise<Result<{ readonly token: string }>> {
	const found = await placeOfLink(deps.db, digestOf(link), deps.clock.now());
	if (!found) return fail('link-over');
	const token = randomBytes(32).toString('base64url');
	return transact(deps, found.siteId, async (tx, within) => {
		within.touch('nothing');
		if (!(await takeUpPlace(tx, digestOf(link), digestOf(token), within.clock.now())))
			return fail('link-over');
		await noted(within, found, { kind: 'place-taken-up', name: found.name });
		return ok({ token });
	});
}
