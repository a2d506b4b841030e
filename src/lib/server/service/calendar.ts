import { createHash, randomBytes } from 'node:crypto';
import { createEvents, type EventAttributes } from 'ics';
import type { ChangeFeed, OpenFeed } from '$lib/contract/calendar';
import type { DueTest } from '$lib/core/judgement';
import { nameWithin } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { civilDate, type Instant } from '$lib/core/time';
import { whyDue } from '$lib/format/bench';
import { isDuplicate } from '../repository/database.ts';
import { addFeed, feedsOf, revokeFeed } from '../repository/judgement.ts';
import { scopeOfFeed, type SiteScope } from '../repository/scope.ts';
import { waterAt, watersOf } from '../repository/water.ts';
import type { Deps } from './deps.ts';
import { judgeWater } from './judge-water.ts';
import { once } from './once.ts';

const PRODUCT = '-//Tevrik//Tests//EN';

const digestOf = (token: string) => createHash('sha256').update(token).digest('hex');

interface WaterDue {
	readonly id: string;
	readonly name: string;
	readonly due: readonly DueTest[];
}

/**
 * The next tests as an iCalendar file: one whole-day entry for each water and day; what is overdue stands on today.
 *
 * @see RFC 5545
 */
export function calendarText(
	waters: readonly WaterDue[],
	timeZone: string,
	now: Instant,
	siteName: string
): string {
	const today = civilDate(now, timeZone);
	const events = waters.flatMap(({ id, name, due }): EventAttributes[] => {
		const byDay = new Map<string, DueTest[]>();
		for (const test of due) {
			const day = civilDate(test.dueAt, timeZone);
			const shown = day < today ? today : day;
			byDay.set(shown, [...(byDay.get(shown) ?? []), test]);
		}
		return [...byDay].map(([day, tests]): EventAttributes => {
			const [year = 0, month = 0, date = 0] = day.split('-').map(Number);
			return {
				uid: `${id}-${day}@tevrik`,
				productId: PRODUCT,
				// Known to the package, not to its types.
				...({ timestamp: now } as object),
				start: [year, month, date],
				duration: { days: 1 },
				title: `${name}: test ${tests.map((t) => nameWithin(t.parameter)).join(', ')}`,
				description: tests.map((t) => `${nameWithin(t.parameter)}: ${whyDue(t)}.`).join('\n')
			};
		});
	});
	if (events.length === 0) {
		return ['BEGIN:VCALENDAR', 'VERSION:2.0', `PRODID:${PRODUCT}`, 'END:VCALENDAR', ''].join('\r\n');
	}
	const { error, value } = createEvents(events, { calName: `Tests, ${siteName}` });
	if (!value) throw error ?? new Error('no calendar was made');
	return value;
}

/** The tests of all tanks of a site, as a calendar. */
export async function siteCalendar(deps: Deps, scope: SiteScope): Promise<string> {
	const now = deps.clock.now();
	const waters: WaterDue[] = [];
	for (const { id, kind } of await watersOf(deps.db, scope)) {
		const water = kind === 'tank' ? await waterAt(deps.db, scope, id, now) : null;
		if (!water) continue;
		const { due } = await judgeWater(deps, scope, water);
		waters.push({ id, name: water.name, due });
	}
	return calendarText(waters, scope.timeZone, now, scope.siteName);
}

/** The same by a private address; null where that was revoked, or never was. */
export async function feedCalendar(deps: Deps, token: string): Promise<string | null> {
	const found = await scopeOfFeed(deps.db, digestOf(token), deps.clock.now());
	return found ? siteCalendar(deps, found.scope) : null;
}

/** Opens a private calendar address, whose token is told only here, or revokes one. */
export async function changeFeed(
	deps: Deps,
	scope: SiteScope,
	command: ChangeFeed
): Promise<Result<{ readonly token: string | null }>> {
	const now = deps.clock.now();
	if (command.kind === 'revoke') {
		return once(deps, scope, 'revoke-feed', command, async (tx) =>
			(await revokeFeed(tx, scope, command.feedId, now))
				? ok({ token: null })
				: fail('unknown-item', 'feedId')
		);
	}
	// Not by `once`: the token must not be kept with the receipt. Sent twice, the second is refused by its id.
	const token = randomBytes(32).toString('base64url');
	try {
		await addFeed(deps.db, scope, { id: command.id, tokenDigest: digestOf(token), createdAt: now });
	} catch (error) {
		if (isDuplicate(error)) return fail('id-taken', 'id');
		throw error;
	}
	return ok({ token });
}

export async function readFeeds(deps: Deps, scope: SiteScope): Promise<readonly OpenFeed[]> {
	return feedsOf(deps.db, scope);
}
