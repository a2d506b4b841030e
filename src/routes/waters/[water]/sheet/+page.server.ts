import { GiveSheet, RevokeSheet } from '$lib/contract/sheet';
import { sheetWords } from '$lib/format/visitor/sheet';
import type { OpenWater } from '$lib/server/service/water/open-water';
import { commandOfForm } from '$lib/server/validation/command-of-form';
import { askedWater, formContext } from '../../../asked-water';
import { linkToShow } from '../../../link-to-show';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

/** The sheet as it would be handed out now. */
async function sheetNow({ locals }: Pick<RequestEvent, 'locals'>, open: OpenWater, note: string) {
	const day = await locals.services.ask('day', open);
	return sheetWords(open.water, day, locals.person?.displayName ?? '', note, {
		units: locals.preferences.units,
		timeZone: open.scope.timeZone,
		now: locals.services.clock.now(),
		base: ''
	});
}

export const load = (async (event) => {
	const open = await askedWater(event.locals, event.params);
	const { services } = event.locals;
	return {
		sheet: await sheetNow(event, open, ''),
		given: await services.visitor.readSheets(open.scope, open.water.id),
		id: services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	give: async (event) => {
		const { locals, params, request, url } = event;
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = commandOfForm(GiveSheet, form, formContext(locals, open), { waterId: open.water.id });
		if (!command.ok) return refused(form, command.fault);
		const words = await sheetNow(event, open, command.value.note);
		const outcome = await locals.services.visitor.giveSheet(open.scope, command.value, words);
		if (!outcome.ok) return refused(form, outcome.fault);
		return { done: 'give', link: await linkToShow(url, `/sheet/${outcome.value.token}`) };
	},
	revoke: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = commandOfForm(RevokeSheet, form, formContext(locals, open));
		const outcome = command.ok
			? await locals.services.visitor.takeSheetBack(open.scope, command.value)
			: command;
		return outcome.ok ? { done: 'revoke' } : refused(form, outcome.fault);
	}
} satisfies Actions;
