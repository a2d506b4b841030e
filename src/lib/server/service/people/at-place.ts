import type { ChooseReader } from '$lib/contract/people';
import { readsAtPlace, roleAtPlace } from '$lib/core/access';
import { fail, ok, type Result } from '$lib/core/result';
import type { Instant } from '$lib/core/time';
import { digestOf } from '../../digest.ts';
import { membersOf } from '../../repository/member.ts';
import { chooseReaderAt, pinHashOf, placeByToken, readerAt } from '../../repository/place.ts';
import type { AtPlace, Person } from '../../repository/people.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps, PooledDeps } from '../deps.ts';

/** Whether digits are those that were set. */
export type PinFits = (pin: string, hash: string) => Promise<boolean>;

/** Who can be chosen at a place. */
export interface ReaderOffered {
	readonly id: string;
	readonly name: string;
	readonly asksPin: boolean;
}

/**
 * Whoever asks from the device of a place: who was chosen there last, while they belong to the site; else the place
 * itself, which only looks. Null for a token that was revoked, or never was.
 */
export async function personAtPlace({ db, clock }: Deps, token: string): Promise<Person | null> {
	const place = await placeByToken(db, digestOf(token));
	if (!place) return null;
	const now = clock.now();
	const at = { siteId: place.siteId, placeId: place.id, name: place.name };
	const [members, chosen] = await Promise.all([membersOf(db, place, now), readerAt(db, at, now)]);
	const reader = members.find((m) => m.id === chosen && readsAtPlace(m.role));
	const own = members.find((m) => m.id === place.membershipId);
	const who = reader ?? own;
	return (
		(who && {
			id: who.personId,
			displayName: who.name,
			place: { ...at, readerId: reader?.id ?? null }
		}) ??
		null
	);
}

/** Those who read at a site, to be chosen by a tap. */
export async function readersAt({ db, clock }: Deps, { siteId }: AtPlace): Promise<readonly ReaderOffered[]> {
	const members = await membersOf(db, { siteId }, clock.now());
	return members
		.filter((m) => !m.isPlace && m.formerAt === null && readsAtPlace(m.role))
		.map(({ id, name, hasPin }) => ({ id, name, asksPin: hasPin }));
}

/** Says who reads at a place from now on. */
export async function chooseReader(
	{ db, clock, newId }: PooledDeps,
	{ siteId, placeId }: AtPlace,
	{ memberId, pin }: ChooseReader,
	fits: PinFits
): Promise<Result<null>> {
	const now = clock.now();
	if (memberId !== null) {
		const member = (await membersOf(db, { siteId }, now)).find((m) => m.id === memberId);
		if (!member || member.isPlace || !readsAtPlace(member.role)) return fail('unknown-item', 'memberId');
		const hash = await pinHashOf(db, siteId, memberId);
		if (hash !== null && !(await fits(pin, hash))) return fail('wrong-pin', 'pin');
	}
	await chooseReaderAt(db, { siteId, id: newId(), placeId, membershipId: memberId, fromAt: now });
	return ok(null);
}

/** The right of whoever was chosen at a place when something was done there: what was kept offline comes in later. */
export async function scopeThen(deps: Deps, scope: SiteScope, at: Instant): Promise<SiteScope> {
	if (!scope.placeId) return scope;
	const { db, clock } = deps;
	const then = await readerAt(db, { siteId: scope.siteId, placeId: scope.placeId }, at);
	const member = (await membersOf(db, scope, clock.now())).find((m) => m.id === then && readsAtPlace(m.role));
	return member ? { ...scope, membershipId: member.id, role: roleAtPlace(member.role) } : scope;
}
