// A site of the demo with its people and waters.
import type { SiteStory } from '../../src/lib/demo/story.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import { foundSite } from '../../src/lib/server/service/account/found-site.ts';
import { fillSessions, fillSetsAndPurified } from './bench.ts';
import { fillPlans, fillSupplements } from './correction.ts';
import { fillPractice } from './practice.ts';
import { fillChecks, fillThings, noteThing } from './shelf.ts';
import type { At, Teller } from './teller.ts';
import { fillEvents, fillReadings, fillTargets } from './water.ts';

/** @param known people who are there already, by name */
export async function fillSite(
	teller: Teller,
	story: SiteStory,
	{ known, madeUp }: { readonly known: Readonly<Record<string, string>>; readonly madeUp: boolean }
): Promise<Record<string, string>> {
	teller.at(teller.now);
	const { personIds, waterIds } = await foundSite(teller.deps, {
		madeUp,
		name: story.name,
		timeZone: story.timeZone,
		createdAt: teller.now,
		people: story.people.map((p) => ({
			...p,
			...(known[p.displayName] ? { personId: known[p.displayName]! } : {})
		})),
		waters: story.waters.map(({ lights, ...w }) => ({
			name: w.name,
			kind: w.kind,
			netVolumeL: w.netVolumeL,
			profile: w.profile,
			hasAnimals: w.hasAnimals,
			lightsOnMinute: lights?.[0] ?? null,
			lightsOffMinute: lights?.[1] ?? null,
			startedAt: w.startedAt
		}))
	});
	let itemIds: ReadonlyMap<string, string> | null = null;
	let first: At | null = null;
	let byName: ReadonlyMap<string, SiteScope> = new Map();
	for (const [i, water] of story.waters.entries()) {
		const waterId = waterIds[i]!;
		teller.at(teller.now);
		const scopes = await Promise.all(
			story.people.map(async ({ displayName }, p) => {
				const open = await teller.services.water.openWater({ id: personIds[p]!, displayName }, waterId);
				if (!open) throw new Error('a demo member cannot reach a water');
				return open.scope;
			})
		);
		const { shelf, timeZone } = story;
		if (!itemIds) {
			itemIds = await fillThings(teller, scopes[0]!, waterId, shelf);
			await fillSupplements(teller, scopes[0]!, waterId, story);
			for (const { key, notes } of shelf.things) {
				for (const note of notes.filter((n) => n.kind !== 'retired')) {
					await noteThing(teller, { scope: scopes[0]!, waterId }, itemIds.get(key)!, note);
				}
			}
		}
		const at: At = { scopes: [scopes[0]!, scopes[1]!], waterId, timeZone, shelf, itemIds };
		first ??= at;
		byName = new Map(story.people.map((p, n) => [p.displayName, scopes[n]!]));
		await fillTargets(teller, at, water);
		await fillEvents(teller, at, water);
		await fillReadings(teller, at, water);
		await fillPlans(teller, at, water);
	}
	if (first) {
		await fillSessions(teller, first, story, waterIds);
		await fillSetsAndPurified(teller, first, story, waterIds);
		await fillPractice(teller, byName, first.waterId, story);
		await fillChecks(teller, first);
		for (const { key, notes } of story.shelf.things) {
			for (const note of notes.filter((n) => n.kind === 'retired')) {
				await noteThing(
					teller,
					{ scope: first.scopes[0], waterId: first.waterId },
					first.itemIds.get(key)!,
					note
				);
			}
		}
	}
	return Object.fromEntries(story.people.map((p, i) => [p.displayName, personIds[i]!]));
}
