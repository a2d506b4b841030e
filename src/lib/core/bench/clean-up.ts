import type { Method } from '../method/index.ts';

/** What is done with the things of one test once its vial is free. */
export type CleanUpAct = 'close' | 'collect-metal' | 'pour-away' | 'titrant' | 'filter' | 'vial' | 'cuvette';
/** What is done once at the end, whatever was tested. */
export type LastAct = 'scoops' | 'sample-syringes' | 'hands';

/** How long the hands are busy with it, seconds (convention: rounded from doing it). */
const HANDS_S: Readonly<Record<CleanUpAct | LastAct, number>> = {
	close: 10,
	'collect-metal': 15,
	'pour-away': 10,
	titrant: 30,
	filter: 10,
	vial: 25,
	cuvette: 15,
	scoops: 15,
	'sample-syringes': 20,
	hands: 30
};

const uses = ({ equipment }: Pick<Method, 'equipment'>, thing: string) =>
	equipment.some((e) => e.includes(thing));

/** What one test leaves to clean up, in the order in which it is done: bottles closed before anything is poured. */
export function cleanUpActs(method: Pick<Method, 'equipment' | 'reagents'>): readonly CleanUpAct[] {
	const { reagents } = method;
	const isMetal = reagents.some((r) => r.hazards.includes('heavy-metal'));
	const acts: readonly (readonly [boolean, CleanUpAct])[] = [
		[reagents.length > 0, 'close'],
		[isMetal, 'collect-metal'],
		[reagents.length > 0 && !isMetal, 'pour-away'],
		[uses(method, 'titration syringe'), 'titrant'],
		[uses(method, 'filter'), 'filter'],
		[uses(method, 'vial'), 'vial'],
		[uses(method, 'cuvette'), 'cuvette']
	];
	return acts.flatMap(([isDone, act]) => (isDone ? [act] : []));
}

/** What is left at the end of a session; nothing is named that none of its tests used. */
export function lastActs(methods: readonly Pick<Method, 'equipment'>[]): readonly LastAct[] {
	return [
		...(methods.some((m) => uses(m, 'scoop')) ? (['scoops'] as const) : []),
		...(methods.some((m) => uses(m, 'sample syringe')) ? (['sample-syringes'] as const) : []),
		'hands'
	];
}

/** How long cleaning up after these tests keeps the hands busy in all, seconds. Much of it fits into waits. */
export function cleanUpS(methods: readonly Pick<Method, 'equipment' | 'reagents'>[]): number {
	const acts = [...methods.flatMap(cleanUpActs), ...lastActs(methods)];
	return acts.reduce((sum, act) => sum + HANDS_S[act], 0);
}
