import { error, redirect } from '@sveltejs/kit';
import { CHECK_SPANS } from '$lib/contract/shelf';
import type { Result } from '$lib/core/result';
import type { WaterFormContext } from '$lib/server/validation/command-of-form';
import { decisionOfForm, deriveOfForm, finishOfForm, noteOfForm } from '$lib/server/validation/shelf-form';
import { formContext } from '../../../../asked-water';
import { refused } from '../../../../refused';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

const UUID = /^[0-9a-f-]{36}$/;

async function openThing({
	locals,
	params
}: {
	locals: App.Locals;
	params: { water: string; item: string };
}) {
	const open = await locals.openWater(params.water);
	const found =
		open && UUID.test(params.item)
			? await locals.services.ask('thing', open, locals.preferences, params.item)
			: null;
	if (!open || !found) error(404, { message: 'There is no such thing on this shelf.', code: 'not-found' });
	return { open, found };
}

export const load = (async (event) => {
	const { open, found } = await openThing(event);
	const { services } = event.locals;
	const asked = event.url.searchParams;
	const decision = asked.get('decision') === 'withdraw' ? ('withdraw' as const) : ('accept' as const);
	const span = CHECK_SPANS.find((s) => s === asked.get('span')) ?? 'all';
	const checkId = found.checks.find((c) => c.id === asked.get('weigh'))?.id ?? null;
	return {
		found,
		weighed:
			checkId === null
				? null
				: {
						checkId,
						decision,
						span,
						retire: asked.get('retire') === 'yes',
						moves: (await services.shelf.previewDecision(open.scope, checkId, { decision, span })) ?? []
					},
		id: services.newId()
	};
}) satisfies PageServerLoad;

async function act<C>(
	event: RequestEvent,
	commandOf: (form: FormData, context: WaterFormContext) => Result<C>,
	carryOut: (open: Awaited<ReturnType<typeof openThing>>['open'], command: C) => Promise<Result<unknown>>
) {
	const { open } = await openThing(event);
	const form = await event.request.formData();
	const command = commandOf(form, formContext(event.locals, open));
	const outcome = command.ok ? await carryOut(open, command.value) : command;
	if (!outcome.ok) return refused(form, outcome.fault);
	redirect(303, `/waters/${event.params.water}/shelf/${event.params.item}`);
}

export const actions = {
	/** Opened, counted, a dropper, doubted, retired: whatever is noted of it. */
	note: (event) => {
		const { services } = event.locals;
		return act(
			event,
			(form, context) => noteOfForm(form, event.params.item, context, services.clock.now()),
			(open, command) => services.shelf.noteItem(open.scope, command)
		);
	},
	/** Readings of standards become a finding. */
	check: (event) =>
		act(
			event,
			(form, context) => finishOfForm(form, event.params.item, context),
			(open, command) => event.locals.services.shelf.finishCheck(open.scope, command)
		),
	/** A finding corrects, or corrects no more. */
	decide: (event) =>
		act(event, decisionOfForm, (open, command) =>
			event.locals.services.shelf.decideCheck(open.scope, command)
		),
	/** What no longer fits is derived again. */
	derive: (event) =>
		act(
			event,
			(form, context) => deriveOfForm(form, event.params.item, context),
			(open, command) => event.locals.services.shelf.deriveItemAgain(open.scope, command)
		)
} satisfies Actions;
