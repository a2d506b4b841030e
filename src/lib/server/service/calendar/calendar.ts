import { createEvents, type EventAttributes } from 'ics';
import { randomBytes } from 'node:crypto';
import type { ChangeFeed, OpenFeed } from '$lib/contract/calendar';
import type { DueTest } from '$lib/core/judgement';
import type { StepAhead } from '$lib/core/judgement/plan';
import { nameWithin, PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { civilDate, type Instant } from '$lib/core/time';
import { HELD, stepWords } from '$lib/format/adjust/adjust';
import { whyDue } from '$lib/format/bench/bench';
import { digestOf } from '../../digest.ts';
import { isDuplicate } from '../../repository/database.ts';
import { addFeed, feedsOf, revokeFeed } from '../../repository/judgement.ts';
import { scopeOfFeed, type ScopeFor, type SiteScope } from '../../repository/scope.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import type { WaterDay } from '../judgement/read-day.ts';
import { once } from '../once.ts';

const PRODUCT = '-//Tevrik//Tests//EN';

interface WaterDue {
	readonly id: string;
	readonly name: string;
	readonly due: readonly DueTest[];
	readonly steps: readonly { readonly day: string; readonly words: string }[];
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
	const entry = (uid: string, day: string, title: string, description: string): EventAttributes => {
		const [year = 0, month = 0, date = 0] = day.split('-').map(Number);
		return {
			uid,
			productId: PRODUCT,
			// Known to the package, not to its types.
			...({ timestamp: now } as object),
			start: [year, month, date],
			duration: { days: 1 },
			title,
			description
		};
	};
	const events = waters.flatMap(({ id, name, due, steps }): EventAttributes[] => {
		const byDay = new Map<string, DueTest[]>();
		for (const test of due) {
			const day = civilDate(test.dueAt, timeZone);
			const shown = day < today ? today : day;
			byDay.set(shown, [...(byDay.get(shown) ?? []), test]);
		}
		const tests = [...byDay].map(([day, asked]) =>
			entry(
				`${id}-${day}@tevrik`,
				day,
				`${name}: test ${asked.map((t) => nameWithin(t.parameter)).join(', ')}`,
				asked.map((t) => `${nameWithin(t.parameter)}: ${whyDue(t)}.`).join('\n')
			)
		);
		const days = [...new Set(steps.map((s) => s.day))];
		const corrections = days.map((day) => {
			const words = steps.filter((s) => s.day === day).map((s) => s.words);
			return entry(`${id}-${day}-correction@tevrik`, day, `${name}: ${words[0] ?? ''}`, words.join('\n'));
		});
		return [...tests, ...corrections];
	});
	if (events.length === 0) {
		return ['BEGIN:VCALENDAR', 'VERSION:2.0', `PRODID:${PRODUCT}`, 'END:VCALENDAR', ''].join('\r\n');
	}
	const { error, value } = createEvents(events, { calName: `Tests, ${siteName}` });
	if (!value) throw error ?? new Error('no calendar was made');
	return value;
}

/** A tank of a site with its day; null where it could not be judged. */
export interface TankDay {
	readonly id: string;
	readonly name: string;
	readonly day: Pick<WaterDay, 'today' | 'steps'> | null;
}

const CANONICAL = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].canonicalUnit])) as Readonly<
	Record<ParameterId, UnitId>
>;

function inWords({ day, step, held }: StepAhead) {
	return { day, words: `${held ? `${HELD} ` : ''}${stepWords(step, CANONICAL)}` };
}

const NOT_JUDGED = 'This water could not be judged, so its tests are missing here. Look at its log.';

/** The tests of all tanks of a site, and the steps of their corrections, as a calendar. */
export function siteCalendar(scope: SiteScope, tanks: readonly TankDay[], now: Instant): string {
	const today = civilDate(now, scope.timeZone);
	return calendarText(
		tanks.map(({ id, name, day }) =>
			day
				? { id, name, due: day.today.due, steps: day.steps.map(inWords) }
				: { id, name, due: [], steps: [{ day: today, words: NOT_JUDGED }] }
		),
		scope.timeZone,
		now,
		scope.siteName
	);
}

/** Whose private address it is; null where that was revoked, or never was. */
export async function holderOfFeed(
	deps: Deps,
	token: string
): Promise<{ readonly scope: SiteScope; readonly personId: string } | null> {
	return scopeOfFeed(deps.db, digestOf(token), deps.clock.now());
}

/** Opens a private calendar address, whose token is told only here, or revokes one. */
export async function changeFeed(
	deps: PooledDeps,
	scope: ScopeFor<'share'>,
	command: ChangeFeed
): Promise<Result<{ readonly token: string | null }>> {
	const now = deps.clock.now();
	if (command.kind === 'revoke') {
		return once(deps, scope, 'revoke-feed', command, async (tx, within) => {
			within.touch('nothing');
			return (await revokeFeed(tx, scope, command.feedId, now))
				? ok({ token: null })
				: fail('unknown-item', 'feedId');
		});
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
