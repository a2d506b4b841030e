import { error, fail } from '@sveltejs/kit';
import { ChangePlan, NoteStep } from '$lib/contract/adjust';
import type { Fault } from '$lib/core/result';
import { civilDate, offsetMinutes, type Instant } from '$lib/core/time';
import { faultText } from '$lib/format/faults/faults';
import { commandOfForm } from '$lib/server/validation/command-of-form';
import { typedText } from '$lib/server/validation/form';
import { askedWater, formContext } from '../../../../../asked-water';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;

const dayOf = (at: Instant, timeZone: string) =>
	Date.parse(`${civilDate(at, timeZone)}T00:00:00Z`) / 86_400_000;

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const seen = UUID.test(params.plan) ? await services.ask('plan', open, params.plan) : null;
	if (!seen) error(404, { message: 'There is no such plan.', code: 'not-found' });
	const targets = await services.water.targetsOf(open.scope, open.water.id);
	const now = services.clock.now();
	const { timeZone } = open.scope;
	return {
		seen,
		today: dayOf(now, timeZone) - dayOf(seen.startsAt, timeZone),
		bands: Object.fromEntries(
			seen.goals.flatMap(({ parameter }) => {
				const band = targets.find((t) => t.parameter === parameter && t.fromAt <= now);
				return band ? [[parameter, { low: band.low, high: band.high }]] : [];
			})
		),
		ids: Object.fromEntries(seen.steps.map((s) => [s.id, services.newId()])),
		changeId: services.newId()
	};
}) satisfies PageServerLoad;

async function opened({ locals, params, request }: RequestEvent) {
	const open = await locals.openWater(params.water);
	if (!open || !UUID.test(params.plan)) error(404, { message: 'There is no such plan.', code: 'not-found' });
	// Of this water, not of another one that the person may go to.
	const seen = await locals.services.ask('plan', open, params.plan);
	if (!seen) error(404, { message: 'There is no such plan.', code: 'not-found' });
	return { open, seen, services: locals.services, form: await request.formData() };
}

const refusal = (fault: Fault) => fail(400, { text: faultText(fault) });

export const actions = {
	step: async (event) => {
		const { open, seen, services, form } = await opened(event);
		const now = services.clock.now();
		const stepId = typedText(form.get('stepId'));
		const step = seen.steps.find((s) => s.id === stepId);
		// What was done after all was done on its own day.
		const happenedAt = step?.state === 'missed' && step.at < now ? step.at : now;
		const context = formContext(event.locals, open);
		const when = { happenedAt, offsetMinutes: offsetMinutes(happenedAt, context.timeZone) };
		const command = commandOfForm(NoteStep, form, context, { planId: event.params.plan, ...when });
		const outcome = command.ok ? await services.correction.noteStep(open.scope, command.value) : command;
		return outcome.ok ? { text: '' } : refusal(outcome.fault);
	},
	change: async (event) => {
		const { open, services, form } = await opened(event);
		const context = formContext(event.locals, open);
		const command = commandOfForm(ChangePlan, form, context, { planId: event.params.plan });
		const outcome = command.ok ? await services.correction.changePlan(open.scope, command.value) : command;
		return outcome.ok ? { text: '' } : refusal(outcome.fault);
	}
} satisfies Actions;
