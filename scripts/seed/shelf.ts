// What stands on a shelf of the demo, what was noted of it, and checks on standards.
import type { NoteItem } from '../../src/lib/contract/shelf.ts';
import { addSeconds, offsetMinutes, type Instant } from '../../src/lib/core/time/index.ts';
import type { DemoShelf, DemoShelfNote } from '../../src/lib/demo/story.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import { calmLog, must, type At, type Teller } from './teller.ts';

/** Things come on the shelf when they were bought; what was noted of them follows after the readings. */
export async function fillThings(
	teller: Teller,
	scope: SiteScope,
	waterId: string,
	shelf: DemoShelf
): Promise<Map<string, string>> {
	const ids = new Map<string, string>();
	for (const { key, method, row } of shelf.things) {
		teller.at((row.boughtAt ?? teller.now) as Instant);
		const id = teller.newId();
		const read = { methodCode: method?.code ?? null, methodVersion: method?.version ?? null };
		must(await teller.services.shelf.addToShelf(scope, { id, waterId, ...read, ...row }));
		ids.set(key, id);
	}
	return ids;
}

export async function noteThing(
	teller: Teller,
	{ scope, waterId }: { readonly scope: SiteScope; readonly waterId: string },
	itemId: string,
	note: DemoShelfNote
): Promise<void> {
	teller.at(note.at);
	const { kind, details, at: happenedAt, note: text = '' } = note;
	const id = teller.newId();
	must(
		await teller.services.shelf.noteItem(scope, {
			id,
			waterId,
			itemId,
			kind,
			details,
			happenedAt,
			note: text
		} as NoteItem)
	);
}

export async function fillChecks(
	teller: Teller,
	{ scopes, waterId, timeZone, shelf, itemIds }: At
): Promise<void> {
	const [scope] = scopes;
	for (const { kit, standard, parameter, at, method, readings, accepted } of shelf.checks) {
		const itemId = itemIds.get(kit)!;
		const runIds: string[] = [];
		for (const [i, reading] of readings.entries()) {
			const startedAt = addSeconds(at, 600 * i);
			const stepLog = calmLog(method, reading.portion, startedAt);
			teller.at(stepLog.at(-1)?.at ?? startedAt);
			const runId = teller.newId();
			runIds.push(runId);
			must(
				await teller.services.reading.saveTestRun(scope, {
					id: runId,
					sampleId: teller.newId(),
					readingId: teller.newId(),
					waterId,
					standardId: itemIds.get(standard)!,
					itemIds: [itemId],
					methodCode: method.code,
					methodVersion: method.version,
					drawnAt: startedAt,
					startedAt,
					finishedAt: teller.moment,
					offsetMinutes: offsetMinutes(teller.moment, timeZone),
					reading,
					stepLog,
					note: ''
				})
			);
		}
		teller.at(addSeconds(at, 2000));
		const { checkId } = must(
			await teller.services.shelf.finishCheck(scope, {
				id: teller.newId(),
				waterId,
				itemId,
				parameter,
				runIds
			})
		);
		if (!accepted) continue;
		const decision = { decision: 'accept', span: 'all', retire: false, note: '' } as const;
		must(
			await teller.services.shelf.decideCheck(scope, { id: teller.newId(), waterId, checkId, ...decision })
		);
	}
}
