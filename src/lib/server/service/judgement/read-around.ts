import type { AroundAnswer } from '$lib/contract/around';
import { betweenChanges } from '$lib/core/judgement/plan';
import { aroundEvent } from '$lib/core/record';
import { adoptedMethods } from '../../repository/method.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { judgedWater } from './judged-water.ts';

/** What was read around something that happened; null where no such thing happened to this water. */
export async function readAround(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	eventId: string
): Promise<AroundAnswer | null> {
	const [judged, methods] = await Promise.all([
		judgedWater(deps, scope, water),
		adoptedMethods(deps.db, scope)
	]);
	const event = judged.events.find((e) => e.id === eventId);
	if (!event) return null;
	const volumeL = water.netVolumeL;
	return {
		event: {
			id: event.id,
			kind: event.kind,
			at: event.happenedAt,
			details: event.details,
			note: event.note
		},
		rows: aroundEvent(event, judged.results, { volumeL, perDay: betweenChanges(judged, 1) }),
		kits: Object.fromEntries(methods.map(({ method }) => [method.code, method.name])),
		volumeL
	};
}
