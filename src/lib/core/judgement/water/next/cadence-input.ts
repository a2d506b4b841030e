import { handsSecondsOf } from '../../../bench/index.ts';
import { stepsFor, type Method } from '../../../method/index.ts';
import { PARAMETER_IDS, type ParameterId } from '../../../quantity/index.ts';
import { bandAt, lastResultOf, plainBand, resultsOf, type Water } from '../../../record/index.ts';
import { addDays, type Instant } from '../../../time/index.ts';
import { isLine, type WaterEstimate } from '../../../trend/index.ts';
import {
	acceptedChance,
	dueTests,
	longestDays,
	outlookOf,
	shortestDays,
	type CadenceInput,
	type DueTest,
	type Outlook
} from '../../index.ts';
import { mediumRuns } from '../medium.ts';
import type { WaterRecord } from '../record.ts';
import type { ParameterToday } from '../row.ts';
import { askedTests, isUnconfirmed } from './asked-tests.ts';

/** A reading in doubt asks for a repeat for so long. */
const DOUBT_DAYS = 7;

export interface CadenceGiven extends Pick<
	WaterRecord,
	'timeZone' | 'results' | 'events' | 'targets' | 'methods' | 'items' | 'settings' | 'plans' | 'planned'
> {
	readonly now: Instant;
	readonly water: Pick<Water, 'profile' | 'netVolumeL' | 'volumes'>;
	readonly estimates: WaterEstimate;
	/** Where each parameter stands. */
	readonly rows: readonly Pick<
		ParameterToday,
		'parameter' | 'band' | 'estimate' | 'single' | 'last' | 'asOutside'
	>[];
}

/** Price of a test by the newest pack of its kit; null where no price is known. */
function priceOf(items: WaterRecord['items'], code: string): number | null {
	const item = items.findLast((i) => i.kind === 'kit' && i.method?.code === code && i.price !== null);
	const tests = item?.details.tests ?? item?.method?.pack.tests ?? null;
	return item?.price != null && tests ? item.price / tests : null;
}

function handsMinutesOf(method: Method): number {
	return stepsFor(method, 'full').reduce((sum, step) => sum + handsSecondsOf(step), 0) / 60;
}

/** The tests that are due in a water: a barrel, a tap or a bottle is tested when there is a reason, not by the calendar. */
export function testsDue(water: Pick<Water, 'kind'>, input: CadenceInput): readonly DueTest[] {
	const tests = dueTests(input);
	return water.kind === 'tank'
		? tests
		: tests.filter((t) => t.why.kind === 'doubt' || t.why.kind === 'session');
}

/** What it takes to say when each parameter of a water is to be tested next. */
export function cadenceInput(given: CadenceGiven): CadenceInput {
	const { now, water, results, events, targets, estimates, methods, items, settings, rows } = given;
	const methodOf = new Map(methods.map((m) => [m.code, m]));
	const own = results.filter((r) => methodOf.get(r.methodCode)?.kind !== 'stated');
	const used = new Set(own.map((r) => r.result.parameter));
	const usual = PARAMETER_IDS.filter((p) => used.has(p) || bandAt(targets, p, now) !== null);
	const base = {
		now,
		profile: water.profile,
		usual,
		lastAt: Object.fromEntries(
			usual.flatMap((p) => {
				const last = lastResultOf(results, p);
				return last ? [[p, last.at]] : [];
			})
		),
		firstAt: results[0]?.at ?? null,
		mediumRuns: mediumRuns(events),
		doubtful: usual.filter((p) =>
			estimates.of(p)?.doubts.some((d) => !d.settled && d.at >= addDays(now, -DOUBT_DAYS))
		),
		unconfirmed: rows.flatMap(({ parameter, band, estimate, single }) =>
			isUnconfirmed(estimate?.verdict ?? single, resultsOf(results, parameter), band) ? [parameter] : []
		),
		asked: askedTests(given)
	};
	const accepted = settings.testing.kind === 'reckoned' ? settings.testing.chance : null;
	const outlooks: Partial<Record<ParameterId, Outlook>> = {};
	for (const parameter of accepted === null ? [] : usual) {
		const estimate = estimates.of(parameter);
		const band = plainBand(bandAt(targets, parameter, now));
		const last = lastResultOf(results, parameter);
		const longest = longestDays(parameter, base);
		if (!last || !band || longest === null || !isLine(parameter, estimate) || estimate.basedOn < 3) continue;
		const method = methodOf.get(
			own.findLast((r) => r.result.parameter === parameter)?.methodCode ?? last.methodCode
		);
		const chance = method
			? acceptedChance(accepted!, {
					handsMinutes: handsMinutesOf(method),
					price: priceOf(items, method.code)
				})
			: accepted!;
		outlooks[parameter] = outlookOf((at) => estimate.at(at), band, last.at, {
			chance,
			shortestDays: Math.min(longest, shortestDays(parameter)),
			longestDays: longest
		});
	}
	return { ...base, outlooks, habit: settings.testing };
}
