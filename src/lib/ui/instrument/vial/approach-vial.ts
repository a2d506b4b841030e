import { titrationsOf, type Method } from '$lib/core/method';
import type { Random } from '$lib/core/numeric';
import type { Surroundings } from '$lib/core/practice';
import { SimVial } from './SimVial.svelte';

/** Begins so many drops before the change: the approach, without the half hour before it. */
const FROM = { least: 5, more: 10 };
/** What it takes up, mL or drops: what usual water does. */
const TAKES = { ml: { least: 0.45, more: 0.4 }, drops: { least: 14, more: 20 } };

/** A vial shortly before its change. Where that is, chance has. */
export function approachVial(random: Random, method: Method, which: 0 | 1, around: Surroundings): SimVial {
	const { meter } = titrationsOf(method)[which]!;
	const { least, more } = meter.kind === 'drops' ? TAKES.drops : TAKES.ml;
	const takes = (least + more * random()) * (meter.kind === 'drops' ? meter.dropMl : 1);
	const sim = new SimVial(random, method, which, around, takes);
	sim.startAt(sim.changeMl - sim.vial.dropMl * (FROM.least + FROM.more * random()));
	return sim;
}
