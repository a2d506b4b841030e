// Adds a site with one water that was read daily for ten years, eight parameters, to the database of DATABASE_URL: for
// trying how views bear it. npx tsx scripts/ten-years.ts [years]
import { normalDeviate, roundTo, seededRandom } from '../src/lib/core/numeric/index.ts';
import { PARAMETERS, type ParameterId } from '../src/lib/core/quantity/index.ts';
import { addDays, addSeconds, instant } from '../src/lib/core/time/index.ts';
import { LIBRARY } from '../src/lib/demo/lobby-reef.ts';
import { clockSetting, idMaker, serverClock } from '../src/lib/server/clock.ts';
import { connect } from '../src/lib/server/db/connect.ts';
import { memberByRole, siteByName } from '../src/lib/server/repository/founding.ts';
import { foundSite } from '../src/lib/server/service/account/found-site.ts';
import { createServices } from '../src/lib/server/services.ts';

const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
const years = Number(process.argv[2] ?? 10);
const connection = connect(url);
const { db } = connection;
const real = serverClock(clockSetting(process.env.TEVRIK_CLOCK, performance.timeOrigin + performance.now()));
const deps = { db, clock: real, newId: idMaker(real) };
const services = createServices(deps);

const USUAL: readonly (readonly [ParameterId, level: number, u: number, swing: number, digits: number])[] = [
	['alkalinity', 8.2, 0.2, 0.5, 2],
	['calcium', 428, 8, 12, 0],
	['magnesium', 1325, 22, 30, 0],
	['potassium', 396, 6, 10, 0],
	['nitrate', 7, 0.8, 3, 1],
	['phosphate', 0.07, 0.006, 0.03, 3],
	['salinity', 35, 0.3, 0.3, 1],
	['ph', 8.1, 0.05, 0.06, 2]
];

const library = await siteByName(db, LIBRARY.name);
if (!library) throw new Error('make the demo world first');
const now = real.now();
const days = Math.round(years * 365);
const start = addDays(now, -days - 1);
const personId = await memberByRole(db, library.id, 'owner');
if (!personId) throw new Error('the demo world has no keeper');
const { waterIds } = await foundSite(deps, {
	name: `Ten years ${deps.newId().slice(-4)}`,
	timeZone: LIBRARY.timeZone,
	createdAt: now,
	people: [{ displayName: 'Keeper', role: 'owner', personId }],
	waters: [
		{
			name: 'Old reef',
			kind: 'tank',
			netVolumeL: 800,
			profile: 'mixed-reef',
			hasAnimals: true,
			lightsOnMinute: 540,
			lightsOffMinute: 1200,
			startedAt: start
		}
	]
});
const waterId = waterIds[0]!;
const open = await services.water.openWater({ id: personId, displayName: 'Keeper' }, waterId);
if (!open) throw new Error('the water cannot be reached');
const random = seededRandom(10);
const swings = USUAL.map(() => 0);
let made = 0;
for (let day = 0; day < days; day++) {
	const readings = USUAL.map(([parameter, level, u, swing, digits], k) => {
		swings[k] = swings[k]! * 0.985 + normalDeviate(random, 0, swing * 0.17);
		const value = roundTo(level + swings[k] + normalDeviate(random, 0, u), 10 ** -digits);
		const at = instant(Math.round(addSeconds(addDays(start, day + 0.8), 120 * k)));
		return { parameter, value, u, at };
	});
	// A day's readings at once: the records take them side by side.
	const saved = await Promise.all(
		readings.map(({ parameter, value, u, at }) =>
			services.reading.saveTestRun(open.scope, {
				id: deps.newId(),
				sampleId: deps.newId(),
				readingId: deps.newId(),
				waterId,
				methodCode: `stated-${parameter}`,
				methodVersion: 1,
				drawnAt: at,
				startedAt: at,
				finishedAt: at,
				offsetMinutes: 0,
				reading: {
					form: 'stated',
					portion: 'full',
					unit: PARAMETERS[parameter].canonicalUnit,
					says: { kind: 'value', value: Math.max(0, value), expandedU: 2 * u, k: 2 },
					source: 'an old notebook'
				},
				stepLog: [],
				note: ''
			})
		)
	);
	for (const result of saved) {
		if (!result.ok) throw new Error(JSON.stringify(result.fault));
		made++;
	}
	if (day % 14 === 3) {
		await services.log.recordEvent(open.scope, {
			id: deps.newId(),
			waterId,
			kind: 'water-change',
			happenedAt: addDays(start, day + 0.6),
			offsetMinutes: 0,
			details: { volumeL: 60, batch: '', newWater: [] },
			note: ''
		});
	}
}
console.log(`${made} readings in /waters/${waterId}/trends?span=all`);
await connection.close();
