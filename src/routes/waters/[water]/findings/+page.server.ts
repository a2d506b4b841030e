import { fail } from '@sveltejs/kit';
import { SaveSettings } from '$lib/contract/judgement';
import { RULE_IDS } from '$lib/core/judgement';
import { faultText } from '$lib/format/faults/faults';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { askedWater } from '../../../asked-water';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const findings = await locals.services.ask('findings', open);
	return { leftOut: findings.leftOut, findings };
}) satisfies PageServerLoad;

export const actions = {
	/** Switches one rule on or off. */
	default: async ({ request, locals, params }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const rule = RULE_IDS.find((id) => id === typedText(form.get('rule')));
		if (!rule)
			return fail(400, {
				text: faultText({ code: 'invalid-field', field: 'rule', details: { rule: 'word' } })
			});
		const settings = await locals.services.judgement.settingsOf(open.scope, open.water.id);
		const rest = settings.rulesOff.filter((id) => id !== rule);
		const command = validate(SaveSettings, {
			id: locals.services.newId(),
			waterId: open.water.id,
			settings: {
				...settings,
				rulesOff: typedText(form.get('on')) === 'no' ? [...rest, rule] : rest
			}
		});
		const outcome = command.ok
			? await locals.services.judgement.saveSettings(open.scope, command.value)
			: command;
		if (!outcome.ok) return fail(400, { text: faultText(outcome.fault) });
		return { text: '' };
	}
} satisfies Actions;
