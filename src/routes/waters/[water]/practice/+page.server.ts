import { redirect } from '@sveltejs/kit';
import { may } from '$lib/core/access';
import { subjectKey } from '$lib/core/practice';
import { decideOfForm, shareOfForm, subjectOfKey } from '$lib/server/validation/practice-form';
import { askedWater } from '../../../asked-water';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url, depends }) => {
	depends('tevrik:practice');
	const open = await askedWater(locals, params);
	const { services } = locals;
	const asked = url.searchParams;
	const subject = subjectOfKey(asked.get('weigh') ?? '');
	const decision = asked.get('decision') === 'stop' ? ('stop' as const) : ('use' as const);
	const span = asked.get('span') === 'all' ? ('all' as const) : ('from-now' as const);
	const seen = subject && (await services.practice.previewReader(open.scope, { subject, decision, span }));
	return {
		practice: await services.practice.readPractice(open.scope),
		weighed:
			subject && seen
				? {
						key: subjectKey(subject),
						subject,
						decision,
						span,
						fault: seen.ok ? null : seen.fault,
						finding: seen.ok ? seen.value.finding : null,
						moves: seen.ok ? seen.value.moves : []
					}
				: null,
		mentors: may(open.scope.role, 'decide'),
		id: services.newId()
	};
}) satisfies PageServerLoad;

export const actions = {
	/** What was found of one's eye is used, or no longer. */
	decide: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = decideOfForm(form);
		const outcome = command.ok
			? await locals.services.practice.decideReader(open.scope, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/practice`);
	},
	/** Others may see how one practises, or no longer. */
	share: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const command = shareOfForm(form);
		const outcome = command.ok
			? await locals.services.practice.sharePractice(open.scope, command.value)
			: command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/practice`);
	}
} satisfies Actions;
