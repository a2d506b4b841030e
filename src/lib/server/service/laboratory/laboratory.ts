import type { SaveReport, SendSample, SentSample } from '$lib/contract/laboratory';
import type { SaveTestRun } from '$lib/contract/test-run';
import { estimateSince } from '$lib/core/judgement/water';
import { statedMethodFor } from '$lib/core/method';
import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { pointOf } from '$lib/core/reading';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays, daysBetween, instant, isFuture, type Instant } from '$lib/core/time';
import { isLine } from '$lib/core/trend';
import { SIMULATED_LABORATORY } from '../../laboratory/simulated.ts';
import { isDuplicate } from '../../repository/database.ts';
import {
	addAnswer,
	addSentBottle,
	sentBottles,
	waitingBottles,
	type SentBottle
} from '../../repository/laboratory.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { waterAt, type Water } from '../../repository/water.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { estimateOfWater, livedSince } from '../judgement/estimate-of-water.ts';
import { once, transact } from '../once.ts';
import { keepRun } from '../reading/save-test-run.ts';

/** Without an estimate a reading this near to the drawing of the bottle stands for what is in it. */
const NEAR_DAYS = 10;

const answerAt = (bottle: SentBottle): Instant =>
	addDays(bottle.sentAt, SIMULATED_LABORATORY.answersAfterDays(bottle));

/** A value of a report as a run of the method that says so. */
function statedRun(
	deps: Deps,
	waterId: string,
	value: {
		readonly parameter: ParameterId;
		readonly unit: UnitId;
		readonly says:
			| { kind: 'value'; value: number; expandedU: number | null; k: number }
			| { kind: 'bound'; sense: '<' | '>'; limit: number };
		readonly source: string;
		readonly drawnAt: number;
		readonly offsetMinutes: number;
		readonly sampleId: string;
		readonly note: string;
	}
): SaveTestRun {
	const method = statedMethodFor(value.parameter);
	return {
		id: deps.newId(),
		sampleId: value.sampleId,
		readingId: deps.newId(),
		waterId,
		methodCode: method.code,
		methodVersion: method.version,
		drawnAt: value.drawnAt,
		startedAt: value.drawnAt,
		finishedAt: value.drawnAt,
		offsetMinutes: value.offsetMinutes,
		reading: { form: 'stated', portion: 'full', unit: value.unit, says: value.says, source: value.source },
		stepLog: [],
		note: value.note
	};
}

/** Sends a bottle to the laboratory. */
export async function sendSample(
	deps: PooledDeps,
	scope: ScopeFor<'record'>,
	command: SendSample
): Promise<Result<{ readonly expectedAt: number }>> {
	return once(deps, scope, 'send-sample', command, async (tx, within) => {
		within.touch('nothing');
		const now = within.clock.now();
		if (isFuture(command.drawnAt, now)) return fail('in-the-future', 'drawnAt');
		if (!(await waterAt(tx, scope, command.waterId, now))) return fail('unknown-item', 'waterId');
		const bottle = { ...command, drawnAt: instant(command.drawnAt), sentAt: now };
		await addSentBottle(tx, scope, bottle);
		return ok({ expectedAt: answerAt({ ...bottle, answeredAt: null }) });
	});
}

/** What the water in a bottle held, as well as it is known: the estimate at the time, else a reading near it. */
async function holdsOf(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	bottle: SentBottle
): Promise<Partial<Record<ParameterId, number>>> {
	const lived = await livedSince(deps, scope, water, estimateSince(bottle.drawnAt));
	const { results } = lived;
	const { of } = await estimateOfWater(deps, lived, deps.clock.now());
	return Object.fromEntries(
		bottle.parameters.flatMap((parameter) => {
			const estimate = of(parameter);
			if (isLine(parameter, estimate)) {
				return [[parameter, Math.max(0, estimate.at(bottle.drawnAt).value)] as const];
			}
			const near = results
				.filter((r) => r.result.parameter === parameter)
				.sort((a, b) => Math.abs(a.at - bottle.drawnAt) - Math.abs(b.at - bottle.drawnAt))[0];
			const point = near && pointOf(near.result);
			return point && Math.abs(daysBetween(near.at, bottle.drawnAt)) <= NEAR_DAYS
				? [[parameter, point.value] as const]
				: [];
		})
	);
}

/** Takes in what the laboratory has answered since it was last asked: each bottle once. */
export async function collectAnswers(deps: PooledDeps, scope: SiteScope): Promise<number> {
	const now = deps.clock.now();
	const ready = (await waitingBottles(deps.db, scope)).filter((b) => answerAt(b) <= now);
	let collected = 0;
	for (const bottle of ready) {
		const water = await waterAt(deps.db, scope, bottle.waterId, now);
		if (!water) continue;
		const lines = SIMULATED_LABORATORY.report(bottle, await holdsOf(deps, scope, water, bottle));
		try {
			await transact(deps, scope.siteId, async (tx, within) => {
				within.touch({ waterId: water.id });
				// First, so that two who ask at once cannot both take it in.
				await addAnswer(tx, scope, { sampleId: bottle.id, answeredAt: now });
				const sampleId = within.newId();
				for (const { parameter, value, expandedU } of lines) {
					const run = statedRun(within, water.id, {
						parameter,
						unit: PARAMETERS[parameter].canonicalUnit,
						says: { kind: 'value', value, expandedU, k: 2 },
						source: SIMULATED_LABORATORY.name,
						drawnAt: bottle.drawnAt,
						offsetMinutes: bottle.offsetMinutes,
						sampleId,
						note: bottle.note
					});
					const kept = await keepRun(within, scope, run);
					// One line that cannot be takes neither the others nor the page with it.
					if (!kept.ok) {
						within.report?.(new Error(`a line of the laboratory was refused: ${kept.fault.code}`), bottle.id);
					}
				}
			});
			collected++;
		} catch (error) {
			if (!isDuplicate(error)) throw error;
		}
	}
	return collected;
}

/** Bottles of a water, with when their answer came or is expected. */
export async function readSent(
	deps: PooledDeps,
	scope: SiteScope,
	waterId: string
): Promise<readonly SentSample[]> {
	await collectAnswers(deps, scope);
	return (await sentBottles(deps.db, scope, waterId)).map((bottle) => ({
		id: bottle.id,
		parameters: bottle.parameters,
		drawnAt: bottle.drawnAt,
		note: bottle.note,
		expectedAt: answerAt(bottle),
		answeredAt: bottle.answeredAt
	}));
}

/** Keeps a whole report, row by row: all of it, or nothing. Rows of one time are of one sample. */
export async function saveReport(
	deps: PooledDeps,
	scope: ScopeFor<'record'>,
	command: SaveReport
): Promise<Result<{ readonly kept: number }>> {
	return once(deps, scope, 'save-report', command, async (tx, within) => {
		within.touch({ waterId: command.waterId });
		const samples = new Map<number, string>();
		for (const [i, row] of command.rows.entries()) {
			const unit = PARAMETERS[row.parameter].units.find((u) => u === row.unit);
			if (!unit) return fail('unit-unknown', `rows.${i}.unit`);
			const sampleId = samples.get(row.drawnAt) ?? within.newId();
			samples.set(row.drawnAt, sampleId);
			const run = statedRun(within, command.waterId, {
				parameter: row.parameter,
				unit,
				says:
					row.kind === 'value'
						? { kind: 'value', value: row.value, expandedU: row.expandedU, k: 2 }
						: { kind: 'bound', sense: row.kind, limit: row.value },
				source: command.source,
				drawnAt: row.drawnAt,
				offsetMinutes: row.offsetMinutes,
				sampleId,
				note: ''
			});
			const kept = await keepRun(within, scope, run);
			if (!kept.ok) {
				return fail(kept.fault.code, `rows.${i}.${kept.fault.field ?? ''}`, kept.fault.details);
			}
		}
		return ok({ kept: command.rows.length });
	});
}
