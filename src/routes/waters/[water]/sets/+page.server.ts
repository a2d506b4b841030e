import { redirect } from '@sveltejs/kit';
import { SaveSet } from '$lib/contract/test-set';
import { minuteOfTime, typedTime } from '$lib/core/time';
import { fail as fault, ok, type Result } from '$lib/core/result';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { askedWater } from '../../../asked-water';
import { refused } from '../../../refused';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	const [sets, methods] = await Promise.all([
		services.bench.readSets(open.scope),
		services.method.readMethods(open.scope)
	]);
	return {
		sets,
		methods: methods
			.filter(({ method }) => method.kind !== 'stated')
			.map(({ method: { code, name, parameter, sampleMl } }) => ({
				code,
				name,
				parameter,
				hasHalf: sampleMl?.half !== undefined
			})),
		edited: url.searchParams.get('edit'),
		id: services.newId(),
		setId: services.newId()
	};
}) satisfies PageServerLoad;

/** A time of day as minutes; null where none was typed. */
function minuteIn(text: string): Result<number | null> {
	if (text === '') return ok(null);
	const time = typedTime(text);
	return time === null ? fault('invalid-field', 'atMinute', { rule: 'time' }) : ok(minuteOfTime(time));
}

export const actions = {
	default: async ({ locals, params, request }) => {
		const open = await askedWater(locals, params);
		const form = await request.formData();
		const { services } = locals;
		const all = (name: string) => form.getAll(name).map(typedText);
		const [waters, codes, portions, times] = [
			all('waterOf'),
			all('methodCode'),
			all('portion'),
			all('times')
		];
		const atMinute = minuteIn(typedText(form.get('atMinute')));
		const command = atMinute.ok
			? validate(SaveSet, {
					id: typedText(form.get('id')),
					waterId: open.water.id,
					setId: typedText(form.get('setId')),
					name: typedText(form.get('name')),
					tests: codes.map((methodCode, i) => ({
						waterId: waters[i] || open.water.id,
						methodCode,
						portion: portions[i] === 'half' ? 'half' : 'full',
						times: Number(times[i] ?? 1) || 1
					})),
					weekdays: all('weekday').map(Number),
					atMinute: atMinute.value,
					inOrder: form.get('inOrder') !== null,
					over: form.get('over') !== null
				})
			: atMinute;
		const outcome = command.ok ? await services.bench.saveSet(open.scope, command.value) : command;
		if (!outcome.ok) return refused(form, outcome.fault);
		redirect(303, `/waters/${params.water}/sets`);
	}
} satisfies Actions;
