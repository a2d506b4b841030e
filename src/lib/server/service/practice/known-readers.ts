import type { Method } from '$lib/core/method';
import { knownReader } from '$lib/core/practice';
import type { KnownReader } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { Reader } from '../../repository/database.ts';
import { readerDecisions } from '../../repository/practice.ts';
import type { SiteScope } from '../../repository/scope.ts';

interface ReadBy {
	readonly readerId: string;
	readonly method: Method;
	/** When the sample was drawn. */
	readonly at: Instant;
}

export type KnownReaders = (of: ReadBy) => KnownReader | undefined;

/** What is used of each reader of a site, at the time of a reading. */
export async function knownReaders(db: Reader, scope: SiteScope): Promise<KnownReaders> {
	const decisions = await readerDecisions(db, scope);
	if (decisions.length === 0) return () => undefined;
	return ({ readerId, method, at }) =>
		knownReader(
			method,
			decisions.filter((d) => d.memberId === readerId),
			at
		);
}
