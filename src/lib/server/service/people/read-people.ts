import type { PeopleSeen, SiteDeed } from '$lib/contract/people';
import { may } from '$lib/core/access';
import { deedsAt, membersOf, namesAt, openInvitations } from '../../repository/member.ts';
import { placesAt } from '../../repository/place.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps } from '../deps.ts';

const memberOf = (deed: SiteDeed) => ('memberId' in deed ? deed.memberId : null);

/** Who belongs to a site and what was done about it, as every member may see; open invitations as owners may. */
export async function readPeople({ db, clock }: Deps, scope: SiteScope): Promise<PeopleSeen> {
	const now = clock.now();
	const [members, deeds, names, places, invitations] = await Promise.all([
		membersOf(db, scope, now),
		deedsAt(db, scope),
		namesAt(db, scope),
		placesAt(db, scope),
		may(scope.role, 'people') ? openInvitations(db, scope, now) : []
	]);
	return {
		members: members
			.filter((m) => !m.isPlace)
			.map(({ id, name, role, fromAt, untilAt, hasPin, formerAt }) => ({
				...{ id, name, role, fromAt, untilAt, hasPin },
				isYou: id === scope.membershipId,
				former: formerAt !== null
			})),
		invitations: invitations.map(({ id, forWhom, role, expiresAt, codeDigest }) => ({
			...{ id, forWhom, role, expiresAt },
			withCode: codeDigest !== null
		})),
		places: places.map(({ id, name, createdAt, takenUpAt }) => ({ id, name, createdAt, takenUpAt })),
		history: deeds.map(({ id, at, doneBy, deed }) => ({
			...{ id, at, deed },
			by: names.get(doneBy) ?? '',
			about: names.get(memberOf(deed) ?? '') ?? null
		}))
	};
}
