// Sessions, sets and purified water of the demo.
import { addSeconds } from '../../src/lib/core/time/index.ts';
import type { SiteStory } from '../../src/lib/demo/story.ts';
import { must, type At, type Teller } from './teller.ts';

export async function fillSessions(
	teller: Teller,
	{ scopes, waterId, shelf, itemIds }: At,
	story: SiteStory,
	waterIds: readonly string[]
): Promise<void> {
	for (const { state, at, dueAt, tests } of story.sessions) {
		teller.at(at);
		const startedAt = addSeconds(at, -240);
		const rows = tests.map(({ water, method, stepsDone }) => ({
			runId: teller.newId(),
			sampleId: teller.newId(),
			readingId: teller.newId(),
			waterId: waterIds[story.waters.findIndex((w) => w.name === water)]!,
			methodCode: method.code,
			methodVersion: method.version,
			portion: 'full' as const,
			dilutionParts: null,
			kitId:
				itemIds.get(
					shelf.things.find((t) => t.method?.code === method.code && t.row.kind === 'kit')?.key ?? ''
				) ?? null,
			standardId: null,
			drawnAt: startedAt,
			startedAt,
			log: Array.from({ length: stepsDone }, (_, i) => ({
				at: addSeconds(startedAt, 40 * (i + 1)),
				kind: 'step-done' as const
			})),
			over: false
		}));
		const ids = { id: teller.newId(), sessionId: teller.newId() };
		must(
			await teller.services.bench.saveSession(scopes[0], {
				...ids,
				waterId,
				revision: 1,
				state,
				dueAt,
				startedAt,
				tests: rows
			})
		);
	}
}

export async function fillSetsAndPurified(
	teller: Teller,
	{ scopes, waterId }: At,
	story: SiteStory,
	waterIds: readonly string[]
) {
	teller.at(addSeconds(teller.now, -3600));
	for (const { tests, ...set } of story.sets) {
		const command = {
			...set,
			id: teller.newId(),
			setId: teller.newId(),
			waterId,
			weekdays: [...set.weekdays],
			tests: tests.map(({ water, ...test }) => ({
				...test,
				waterId: waterIds[story.waters.findIndex((w) => w.name === water)]!
			})),
			over: false
		};
		must(await teller.services.bench.saveSet(scopes[0], command));
	}
	for (const { at, fact } of story.purified) {
		teller.at(at);
		const command = { id: teller.newId(), waterId, happenedAt: at, facts: [fact], note: '' };
		must(await teller.services.purified.notePurified(scopes[0], command));
	}
}
