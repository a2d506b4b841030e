import { addDays, type Instant } from '../time/index.ts';

/** Prove a kit by standards now and then, or trust it until something is odd. */
export type TrustSchool = 'standards' | 'habit';

/** A check is worth so long; an open kit changes slowly (husbandry convention). */
const CHECK_KEEPS_DAYS = 120;

export type CheckDue = 'new' | 'old' | 'doubted' | 'past-date';

export interface CheckHistory {
	readonly openedAt: Instant | null;
	readonly checkedAt: Instant | null;
	/** When a reading of it was last doubted. */
	readonly doubtedAt: Instant | null;
	readonly goodUntil: Instant | null;
}

/**
 * Why a kit should be checked on a standard now; null where it need not be. Doubt and a passed date ask for it in
 * either school; being new or long unchecked only where one proves by standards.
 */
export function checkDue(history: CheckHistory, school: TrustSchool, now: Instant): CheckDue | null {
	const { openedAt, checkedAt, doubtedAt, goodUntil } = history;
	const since = checkedAt ?? Number.NEGATIVE_INFINITY;
	if (doubtedAt !== null && doubtedAt > since) return 'doubted';
	if (openedAt === null) return null;
	if (goodUntil !== null && goodUntil <= now && since < goodUntil) return 'past-date';
	if (school === 'habit') return null;
	if (checkedAt === null) return 'new';
	return addDays(checkedAt, CHECK_KEEPS_DAYS) <= now ? 'old' : null;
}
