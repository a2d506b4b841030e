import type { RecordEvent } from '../../src/lib/contract/event.ts';
import type { WaterEvent } from '../../src/lib/core/balance/index.ts';
import { PROFILES } from '../../src/lib/core/judgement/index.ts';
import type { ParameterId } from '../../src/lib/core/quantity/index.ts';
import {
	ordinaryLife,
	simulateWater,
	type SimulatedReading,
	type TankKind
} from '../../src/lib/core/tank/index.ts';
import { addDays, instant, type Instant } from '../../src/lib/core/time/index.ts';
import { foundSite } from '../../src/lib/server/service/account/found-site.ts';
import { createServices } from '../../src/lib/server/services.ts';
import type { World } from './site.ts';

/** Of each kind of event its kind and its details, together. */
type DistributedEvent = {
	[K in RecordEvent['kind']]: Pick<Extract<RecordEvent, { kind: K }>, 'kind' | 'details'>;
}[RecordEvent['kind']];

/** What a keeper wrote down, as the log takes it. */
function asLogged(event: WaterEvent, volumeL: number): DistributedEvent {
	switch (event.kind) {
		case 'dose':
			return {
				kind: 'dose',
				details: {
					supplement: 'By hand',
					amountMl: event.amountMl,
					unit: 'ml',
					strength: [...event.strength]
				}
			};
		case 'recurring-dose': {
			const { supplement, amountMlPerDay, strength } = event;
			return {
				kind: event.kind,
				details: { supplement, amountMlPerDay, unit: 'ml', strength: [...strength] }
			};
		}
		case 'recurring-dose-missed':
			return { kind: event.kind, details: { supplement: event.supplement, days: event.days } };
		case 'water-change':
			return { kind: event.kind, details: { volumeL: event.fraction * volumeL, batch: '', newWater: [] } };
	}
}

/**
 * A simulated tank in the records, whose keeper tests, doses, changes water and writes down most of it; looked at on
 * some days as it then stands.
 *
 * @param days so long does it live, from a year ago
 * @param looks on these days, counted from its first
 */
export async function liveThrough(
	world: World,
	kind: TankKind,
	seed: number,
	looks: readonly number[],
	look: (waterId: string, name: string) => Promise<void>
): Promise<void> {
	// Carried out as they are: that each raises its counter is seen elsewhere.
	const services = createServices(world.deps);
	const days = Math.max(...looks);
	const end = world.now;
	const start = instant(Math.round(addDays(end, -days - 1)));
	const life = ordinaryLife(kind, { seed, start, days });
	const { readings } = simulateWater(life.script);
	const name = `${kind} ${seed}`;
	world.now = start;
	const { personIds, waterIds } = await foundSite(world.deps, {
		name,
		timeZone: 'Europe/Lisbon',
		createdAt: start,
		people: [{ displayName: `Keeper of ${name}`, role: 'owner' }],
		waters: [
			{
				name,
				kind: 'tank',
				netVolumeL: life.logged.netVolumeL,
				profile: kind,
				hasAnimals: true,
				lightsOnMinute: 540,
				lightsOffMinute: 1200,
				startedAt: addDays(start, -30)
			}
		]
	});
	const waterId = waterIds[0]!;
	world.knows({ id: personIds[0]!, displayName: `Keeper of ${name}` }, waterId);
	const { scope } = await world.open(waterId);
	const id = () => world.deps.newId();
	for (const [parameter, band] of Object.entries(PROFILES[kind].bands)) {
		await services.water.setTarget(scope, {
			id: id(),
			waterId,
			parameter: parameter as ParameterId,
			...band,
			source: 'A convention',
			fromAt: start
		});
	}
	/** Simulated moments lie between the milliseconds that records know. */
	const moment = (at: Instant) => instant(Math.round(at));
	const test = ({ at: exactly, method, reading }: SimulatedReading) => {
		const at = moment(exactly);
		const act = () =>
			services.reading.saveTestRun(scope, {
				id: id(),
				sampleId: id(),
				readingId: id(),
				waterId,
				methodCode: method.code,
				methodVersion: method.version,
				drawnAt: at,
				startedAt: at,
				finishedAt: at,
				offsetMinutes: 0,
				reading,
				stepLog: [],
				note: ''
			});
		return { at, act };
	};
	const note = (event: WaterEvent) => {
		const at = moment(event.at);
		const act = () =>
			services.log.recordEvent(scope, {
				...asLogged(event, life.logged.netVolumeL),
				id: id(),
				waterId,
				happenedAt: at,
				offsetMinutes: 0,
				note: ''
			});
		return { at, act };
	};
	const happens = [...readings.map(test), ...life.logged.events.map(note)];
	const ahead = happens.filter((h) => h.at >= start && h.at < end).sort((a, b) => a.at - b.at);
	let refused = 0;
	for (const day of looks) {
		const until = moment(addDays(start, day));
		for (let next = ahead[0]; next && next.at <= until; next = ahead[0]) {
			world.now = next.at;
			if (!(await next.act()).ok) refused++;
			ahead.shift();
		}
		world.now = until;
		await look(waterId, name);
	}
	// A keeper's slip now and then is refused; where much is, this was no life.
	if (refused > happens.length / 20) throw new Error(`${name}: ${refused} of ${happens.length} refused`);
	world.now = end;
}
