// Supplements and corrections of the demo.
import { LABEL_U } from '../../src/lib/core/correction/index.ts';
import { addDays, addSeconds, offsetMinutes } from '../../src/lib/core/time/index.ts';
import type { SiteStory, WaterStory } from '../../src/lib/demo/story.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import { waterAt } from '../../src/lib/server/repository/water.ts';
import { readPlan } from '../../src/lib/server/service/correction/plan/read-plan.ts';
import { judgedWater } from '../../src/lib/server/service/judgement/judged-water.ts';
import { must, type At, type Teller } from './teller.ts';

export async function fillSupplements(
	teller: Teller,
	scope: SiteScope,
	waterId: string,
	story: SiteStory
): Promise<void> {
	for (const { name, parameter, risePerMlIn100L, form, notWith } of story.supplements) {
		must(
			await teller.services.correction.saveSupplement(scope, {
				id: teller.newId(),
				waterId,
				name,
				details: {
					what: {
						kind: 'product',
						unit: 'ml',
						strength: [{ parameter, risePer100L: risePerMlIn100L }],
						form,
						from: 'label',
						relativeU: LABEL_U
					},
					notWith,
					inUse: true
				}
			})
		);
	}
}

/** Corrections, made by the application itself on the day on which they began, and carried out as the story says. */
export async function fillPlans(
	teller: Teller,
	{ scopes, waterId, timeZone }: At,
	story: WaterStory
): Promise<void> {
	const [scope] = scopes;
	for (const { startsAt, limits, goals, endedAt, note } of story.plans) {
		teller.at(addSeconds(startsAt, -60));
		for (const { parameter, perDay } of limits) {
			const limit = { id: teller.newId(), waterId, parameter, direction: 'up', perDay, reason: '' } as const;
			must(await teller.services.correction.setLimit(scope, limit));
		}
		teller.at(startsAt);
		const supplements = await teller.services.correction.readSupplements(scope);
		const water = await waterAt(teller.deps.db, scope, waterId, startsAt);
		const { estimates } = await judgedWater(teller.deps, scope, water!);
		const planId = teller.newId();
		must(
			await teller.services.correction.startPlan(scope, {
				id: planId,
				waterId,
				startsAt,
				offsetMinutes: offsetMinutes(startsAt, timeZone),
				request: {
					kind: 'doses',
					volumeKnown: true,
					goals: goals.map(({ parameter, supplement, risePerDay, days }) => ({
						parameter,
						// Seen from the kit's estimate of that morning.
						aim: estimates.of(parameter)!.at(startsAt).value + risePerDay * days,
						supplementId: supplements.find((s) => s.name === supplement)?.id ?? supplement
					}))
				}
			})
		);
		const planned = new Set((await readPlan(teller.deps, scope, water!, planId))!.steps.map((s) => s.id));
		for (const { parameter, given } of goals) {
			for (const [day, amount] of given.entries()) {
				const stepId = `${day}-dose-${parameter}`;
				// A plan may come out a day shorter, as the kits read on the day on which the demo is made.
				if (!planned.has(stepId)) continue;
				teller.at(addDays(startsAt, day + 0.1));
				must(
					await teller.services.correction.noteStep(scope, {
						id: teller.newId(),
						planId,
						stepId,
						outcome: 'done',
						amount,
						happenedAt: teller.moment,
						offsetMinutes: offsetMinutes(teller.moment, timeZone),
						note: ''
					})
				);
			}
		}
		if (endedAt) {
			teller.at(endedAt);
			must(
				await teller.services.correction.changePlan(scope, {
					id: teller.newId(),
					planId,
					what: 'reached',
					note
				})
			);
		}
	}
}
