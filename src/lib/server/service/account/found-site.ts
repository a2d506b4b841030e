import type { Role } from '$lib/core/access';
import type { ProfileId } from '$lib/core/judgement';
import type { Instant } from '$lib/core/time';
import { addMembership, addPerson, addSite, addWater } from '../../repository/founding.ts';
import type { PooledDeps } from '../deps.ts';
import { adoptShippedAt } from '../method/adopt-shipped.ts';
import { transact } from '../once.ts';

export interface Founding {
	readonly name: string;
	readonly timeZone: string;
	readonly createdAt: Instant;
	/** Of the made-up world, where somebody looks at it beside their own. */
	readonly madeUp?: boolean;
	readonly people: readonly {
		readonly displayName: string;
		readonly role: Role;
		/** Somebody who is known from another site already. */
		readonly personId?: string;
	}[];
	readonly waters: readonly {
		readonly name: string;
		readonly kind: 'tank' | 'new-mix' | 'source' | 'collected';
		readonly netVolumeL: number | null;
		readonly profile: ProfileId | null;
		readonly hasAnimals: boolean;
		readonly lightsOnMinute: number | null;
		readonly lightsOffMinute: number | null;
		readonly startedAt: Instant;
	}[];
}

export interface Founded {
	readonly siteId: string;
	readonly personIds: readonly string[];
	readonly waterIds: readonly string[];
}

/** Makes a site with its people, its waters, and all shipped methods taken in. All of it, or nothing. */
export async function foundSite(deps: PooledDeps, founding: Founding): Promise<Founded> {
	const { newId } = deps;
	const siteId = newId();
	return transact(deps, siteId, async (tx, within) => {
		const { createdAt, name, timeZone, madeUp = false } = founding;
		await addSite(tx, { id: siteId, name, timeZone, madeUp, createdAt });
		const personIds: string[] = [];
		for (const { displayName, role, personId: known } of founding.people) {
			const personId = known ?? newId();
			const fromAt = founding.waters.reduce(
				(earliest, w) => (w.startedAt < earliest ? w.startedAt : earliest),
				createdAt
			);
			if (!known) await addPerson(tx, { id: personId, displayName, createdAt });
			await addMembership(tx, { siteId, id: newId(), personId, role, fromAt, untilAt: null });
			personIds.push(personId);
		}
		const waterIds: string[] = [];
		for (const { netVolumeL, profile, ...water } of founding.waters) {
			const id = newId();
			await addWater(
				tx,
				{ ...water, siteId, id, createdAt },
				{ volumeId: newId(), netVolumeL, profileId: newId(), profile }
			);
			waterIds.push(id);
		}
		await adoptShippedAt(within, siteId);
		return { siteId, personIds, waterIds };
	});
}
