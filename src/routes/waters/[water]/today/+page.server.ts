import { isMadeToday, setsOf } from '$lib/core/bench';
import { toJson } from '$lib/contract/json';
import { askedWater } from '../../../asked-water';
import type { PageServerLoad } from './$types';

const LATELY = 5;
/** A sample that was sent is the bottle that was kept where both were drawn within half a day. */
const SAME_BOTTLE_MS = 12 * 3600_000;

export const load = (async ({ locals, params }) => {
	const open = await askedWater(locals, params);
	const { services } = locals;
	await services.laboratory.collectAnswers(open.scope);
	const [{ today }, lately, lines, sets, sent, { kits }] = await Promise.all([
		services.ask('day', open),
		services.log.readRecentEvents(open.scope, open.water.id, LATELY),
		open.siblings.length > 1 ? services.judgement.readLines(open) : [],
		services.bench.readSets(open.scope),
		services.laboratory.readSent(open.scope, open.water.id),
		services.ask('benchSite', open, locals.preferences)
	]);
	const now = services.clock.now();
	const { timeZone } = open.scope;
	const set = setsOf(sets, open.water.id, now, timeZone)[0] ?? null;
	/** When a test of the set was made here last; null where its kit is not on the shelf, or it is of another water. */
	const readAt = (set?.tests ?? []).flatMap(({ waterId, methodCode }) => {
		const of = waterId === open.water.id ? kits.find((k) => k.methodCode === methodCode)?.parameters : null;
		return of?.map((p) => today.rows.find((r) => r.parameter === p)?.last.at ?? null) ?? [null];
	});
	return {
		leftOut: today.leftOut,
		today: toJson(today),
		lines,
		// Null where none was named.
		usual: set && {
			id: set.id,
			name: set.name,
			weekdays: set.weekdays,
			atMinute: set.atMinute,
			isMade: isMadeToday(readAt, now, timeZone)
		},
		// Nothing is said where nothing is kept on the shelf at all.
		withoutKit:
			kits.length === 0
				? []
				: today.due.map((d) => d.parameter).filter((p) => !kits.some((k) => k.parameters.includes(p))),
		// Sent since: it waits no longer.
		bottles: today.bottles.filter((b) => !sent.some((s) => Math.abs(s.drawnAt - b.at) < SAME_BOTTLE_MS)),
		// For a step that is ticked here: told twice it is kept once.
		stepIds: Object.fromEntries(
			today.plans.flatMap((p) => p.today.map((s) => [`${p.id}/${s.id}`, services.newId()] as const))
		),
		lately: lately.map(({ id, kind, details, note, happenedAt }) => ({ id, kind, details, note, happenedAt }))
	};
}) satisfies PageServerLoad;
