import type { SiteDeed } from '$lib/contract/people';
import { noteDeed } from '../../repository/member.ts';
import type { Within } from '../deps.ts';

/** Writes into a site's history who did what about its people, in the transaction that does it. */
export function noted(
	{ db, clock, newId }: Pick<Within, 'db' | 'clock' | 'newId'>,
	{ siteId, membershipId }: { readonly siteId: string; readonly membershipId: string },
	deed: SiteDeed
): Promise<void> {
	return noteDeed(db, { siteId, id: newId(), at: clock.now(), doneBy: membershipId, deed });
}
