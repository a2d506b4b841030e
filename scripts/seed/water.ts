// What a water of the demo was wanted to be, what happened to it, and what was read of it.
import type { RecordEvent } from '../../src/lib/contract/event.ts';
import { PROFILES } from '../../src/lib/core/judgement/index.ts';
import type { ParameterId } from '../../src/lib/core/quantity/index.ts';
import type { TestResult } from '../../src/lib/core/reading/index.ts';
import { addDays, offsetMinutes, type Instant } from '../../src/lib/core/time/index.ts';
import { kitOf } from '../../src/lib/demo/shelf.ts';
import type { WaterStory } from '../../src/lib/demo/story.ts';
import { calmLog, must, type At, type Teller } from './teller.ts';

export async function fillTargets(teller: Teller, { scopes, waterId }: At, story: WaterStory): Promise<void> {
	if (!story.profile) return;
	const profile = PROFILES[story.profile];
	teller.at(story.startedAt);
	for (const [parameter, band] of Object.entries(profile.bands)) {
		must(
			await teller.services.water.setTarget(scopes[0], {
				id: teller.newId(),
				waterId,
				parameter: parameter as ParameterId,
				...band,
				source: `${profile.source}: ${profile.name.toLowerCase()}`,
				fromAt: story.startedAt
			})
		);
	}
}

export async function fillEvents(
	teller: Teller,
	{ scopes, waterId, timeZone }: At,
	story: WaterStory
): Promise<void> {
	const record = async (at: Instant, rest: object) => {
		teller.at(at);
		const common = {
			id: teller.newId(),
			waterId,
			happenedAt: at,
			offsetMinutes: offsetMinutes(at, timeZone)
		};
		must(
			await teller.services.log.recordEvent(scopes[0], {
				note: '',
				...common,
				...rest
			} as unknown as RecordEvent)
		);
	};
	for (const event of story.events) {
		const { kind, at } = event;
		if (kind === 'water-change') {
			const newWater = Object.entries(event.newWater).map(([parameter, known]) => ({ parameter, ...known }));
			const volumeL = Math.round(event.fraction * story.netVolumeL!);
			await record(at, { kind, details: { volumeL, batch: event.batch ?? '', newWater } });
		} else if (kind === 'recurring-dose-missed') {
			await record(at, { kind, details: { supplement: event.supplement, days: event.days } });
		} else if (kind === 'dose') {
			const { amountMl, strength } = event;
			await record(at, { kind, details: { supplement: story.singleDoses, amountMl, strength } });
		} else {
			const { supplement, amountMlPerDay, strength } = event;
			await record(at, { kind, details: { supplement, amountMlPerDay, strength } });
		}
	}
	for (const { at, ...details } of story.batches) await record(at, { kind: 'new-mix', details });
	for (const { at, kind, note } of story.notes) await record(at, { kind, details: {}, note });
}

export async function fillReadings(
	teller: Teller,
	{ scopes, waterId, timeZone, shelf, itemIds }: At,
	story: WaterStory
): Promise<void> {
	let lastAlkalinity: number | null = null;
	for (const [i, one] of story.readings.entries()) {
		const { at, method, reading } = one;
		const stepLog = calmLog(method, reading.portion, at);
		const finishedAt = stepLog.at(-1)?.at ?? at;
		teller.at(finishedAt);
		const readingId = teller.newId();
		const kit = itemIds.get(kitOf(shelf, one) ?? '');
		// Of late the keeper says first what they expect: what was read last, more or less.
		const saysFirst =
			method.parameter === 'alkalinity' && at > addDays(teller.now, -60) && lastAlkalinity !== null;
		const saved: { readonly results: readonly TestResult[] } = must(
			// The other member tests teller.now and then.
			await teller.services.reading.saveTestRun(scopes[i % 7 === 3 ? 1 : 0], {
				id: teller.newId(),
				sampleId: teller.newId(),
				readingId,
				waterId,
				...(kit ? { itemIds: [kit] } : {}),
				methodCode: method.code,
				methodVersion: method.version,
				drawnAt: at,
				startedAt: at,
				finishedAt,
				offsetMinutes: offsetMinutes(at, timeZone),
				reading: one.firstEnteredAs ?? reading,
				...(saysFirst
					? {
							said: {
								parameter: 'alkalinity',
								expected: Math.round(lastAlkalinity! * 10) / 10,
								give: 0.4,
								estimate: null
							}
						}
					: {}),
				stepLog,
				note: one.note ?? ''
			})
		);
		const [told] = saved.results;
		if (told?.kind === 'value' && told.parameter === 'alkalinity') lastAlkalinity = told.value;
		if (one.correctedBecause) {
			const id = teller.newId();
			must(
				await teller.services.reading.correctReading(scopes[0], {
					id,
					supersedes: readingId,
					reading,
					reason: one.correctedBecause
				})
			);
		}
	}
}
