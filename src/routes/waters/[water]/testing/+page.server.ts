import { fail } from '@sveltejs/kit';
import { ChangeFeed } from '$lib/contract/calendar';
import { SaveSettings, TakeProfile } from '$lib/contract/judgement';
import { faultText } from '$lib/format/faults/faults';
import { numberIn, typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import type { Fault } from '$lib/core/result';
import { askedWater } from '../../../asked-water';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const [{ today, settings }, feeds] = await Promise.all([
		services.ask('day', open),
		services.calendar.readFeeds(open.scope)
	]);
	return {
		due: today.due,
		stage: today.stage,
		settings,
		cycles: today.cycle !== null,
		feeds,
		id: services.newId(),
		origin: url.origin
	};
}) satisfies PageServerLoad;

async function opened({ locals, params, request }: RequestEvent) {
	const open = await askedWater(locals, params);
	return { open, services: locals.services, form: await request.formData() };
}

const refusal = (what: 'settings' | 'stage' | 'feed', fault: Fault) =>
	fail(400, { what, text: faultText(fault), token: null });
const done = (what: 'settings' | 'stage' | 'feed', token: string | null = null) => ({
	what,
	text: '',
	token
});

export const actions = {
	settings: async (event) => {
		const { open, services, form } = await opened(event);
		const settings = await services.judgement.settingsOf(open.scope, open.water.id);
		const habit = typedText(form.get('habit'));
		const days = numberIn(form.get('clearDays'));
		const command = validate(SaveSettings, {
			id: services.newId(),
			waterId: open.water.id,
			settings: {
				...settings,
				cycle: days === null ? settings.cycle : { clearDays: days, school: typedText(form.get('school')) },
				testing:
					habit === '7' || habit === '14'
						? { kind: 'fixed', everyDays: Number(habit) }
						: { kind: habit || 'reckoned', chance: numberIn(form.get('chance')) }
			}
		});
		const outcome = command.ok ? await services.judgement.saveSettings(open.scope, command.value) : command;
		return outcome.ok ? done('settings') : refusal('settings', outcome.fault);
	},
	stage: async (event) => {
		const { open, services, form } = await opened(event);
		const command = validate(TakeProfile, {
			id: typedText(form.get('id')),
			waterId: open.water.id,
			profile: { kind: 'shipped', id: typedText(form.get('profile')) },
			fromAt: services.clock.now()
		});
		const outcome = command.ok ? await services.judgement.takeProfile(open.scope, command.value) : command;
		return outcome.ok ? done('stage') : refusal('stage', outcome.fault);
	},
	feed: async (event) => {
		const { open, services, form } = await opened(event);
		const feedId = typedText(form.get('feedId'));
		const ids = { id: services.newId(), waterId: open.water.id };
		const command = validate(
			ChangeFeed,
			feedId ? { ...ids, kind: 'revoke', feedId } : { ...ids, kind: 'open' }
		);
		const outcome = command.ok ? await services.calendar.changeFeed(open.scope, command.value) : command;
		return outcome.ok ? done('feed', outcome.value.token) : refusal('feed', outcome.fault);
	}
} satisfies Actions;
