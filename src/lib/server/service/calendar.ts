import { createHash, randomBytes } from 'node:crypto';
import { createEvents, type EventAttributes } from 'ics';
import type { ChangeFeed, OpenFeed } from '$lib/contract/calendar';
import type { DueTest } from '$lib/core/judgement';
import { nameWithin, PARAMETER_IDS, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays, civilDate, type Instant } from '$lib/core/time';
import { HELD, stepWords } from '$lib/format/adjust';
import { whyDue } from '$lib/format/bench';
import { isDuplicate } from '../repository/database.ts';
import { addFeed, feedsOf, revokeFeed } from '../repository/judgement.ts';
import { scopeOfFeed, type SiteScope } from '../repository/scope.ts';
import { waterAt, watersOf } from '../repository/water.ts';
import type { Deps, PooledDeps } from './deps.ts';
import { judgeWater, type JudgedWater } from './judge-water.ts';
import { once } from './once.ts';
import { runningPlans } from './read-plan.ts';

const PRODUCT = '-//Tevrik//Tests//EN';

const digestOf = (token: string) => createHash('sha256').update(token).digest('hex');

interface WaterDue {
	readonly id: string;
	readonly name: string;
	readonly due: readonly DueTest[];
	/** What corrections ask for, day by day, in words. */
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

/** What the corrections of a water still ask for, today and later. Its tests stand among the others. */
function stepsAhead(judged: JudgedWater): WaterDue['steps'] {
	const { now, timeZone } = judged;
	const units = Object.fromEntries(PARAMETER_IDS.map((p) => [p, PARAMETERS[p].canonicalUnit])) as Readonly<
		Record<ParameterId, UnitId>
	>;
	const today = civilDate(now, timeZone);
	return runningPlans(judged).flatMap((plan) => {
		const wait = plan.held ? `${HELD} ` : '';
		return plan.steps.flatMap((step) => {
			const day = civilDate(addDays(plan.startsAt, step.day), timeZone);
			if (step.state !== 'open' || step.what.kind === 'test' || day < today) return [];
			return [{ day, words: wait + stepWords(step, units) }];
		});
	});
}

/** The tests of all tanks of a site, and the steps of their corrections, as a calendar. */
export async function siteCalendar(deps: Deps, scope: SiteScope): Promise<string> {
	const now = deps.clock.now();
	const waters: WaterDue[] = [];
	for (const { id, kind } of await watersOf(deps.db, scope)) {
		const water = kind === 'tank' ? await waterAt(deps.db, scope, id, now) : null;
		if (!water) continue;
		try {
			const judged = await judgeWater(deps, scope, water);
			const steps = stepsAhead(judged);
			waters.push({ id, name: water.name, due: judged.due, steps });
		} catch (fault) {
			if (!(fault instanceof RangeError || fault instanceof TypeError)) throw fault;
			deps.report?.(fault, `water ${id}`);
			const words = 'This water could not be judged, so its tests are missing here. Look at its log.';
			waters.push({ id, name: water.name, due: [], steps: [{ day: civilDate(now, scope.timeZone), words }] });
		}
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
	deps: PooledDeps,
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
