import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NO_DETAILS, type AddItem } from '../../src/lib/contract/shelf.ts';
import type { RecordEvent } from '../../src/lib/contract/event.ts';
import type { SaveSession } from '../../src/lib/contract/session.ts';
import { ALK_SYRINGE } from '../../src/lib/core/method/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import type { OwnDatabase } from '../support/engine.ts';
import { NOON, openWorld, testRun, type World } from '../support/site.ts';
import { ownDatabase } from './database.ts';

let database: OwnDatabase;
let world: World;
let site: Awaited<ReturnType<World['site']>>;
beforeAll(async () => {
	database = await ownDatabase();
	world = openWorld(database.url);
	site = await world.site('possible');
});
afterAll(async () => {
	await world.close();
	await database.drop();
});
const id = () => world.deps.newId();

function event(kind: RecordEvent['kind'], details: object, happenedAt: number = NOON): RecordEvent {
	return {
		id: id(),
		waterId: site.waterId,
		kind,
		details,
		happenedAt,
		offsetMinutes: 0,
		note: ''
	} as unknown as RecordEvent;
}
function item(change: Partial<AddItem>): AddItem {
	return {
		id: id(),
		waterId: site.waterId,
		kind: 'standard',
		name: 'A standard',
		lotCode: '',
		methodCode: null,
		methodVersion: null,
		price: null,
		boughtAt: null,
		expiresAt: null,
		details: { ...NO_DETAILS, contents: [{ parameter: 'alkalinity', value: 8, u: 0.1 }] },
		...change
	};
}
const contents = (parameter: 'ph' | 'alkalinity', value: number) => ({
	...NO_DETAILS,
	contents: [{ parameter, value, u: 0.1 }]
});
const newWater = (parameter: string, value: number) => ({
	volumeL: 40,
	batch: '',
	newWater: [{ parameter, value, u: 0.2 }]
});
const refused = (field: string, code = 'beyond-scale') => ({ ok: false, fault: { code, field } });

describe('what cannot be is refused by name, whoever sends it', () => {
	it.each([
		['new water of pH 9999', () => event('water-change', newWater('ph', 9999)), 'details.newWater.ph'],
		[
			'new water with 80 dKH',
			() => event('water-change', newWater('alkalinity', 80)),
			'details.newWater.alkalinity'
		],
		[
			'100 L of a product at once',
			() => event('dose', { supplement: 'A product', amountMl: 100_000, strength: [] }),
			'details.amountMl'
		],
		[
			'a product of 999 dKH to the millilitre',
			() =>
				event('dose', {
					supplement: 'A product',
					amountMl: 10,
					strength: [{ parameter: 'alkalinity', risePerMlIn100L: 999 }]
				}),
			'details.strength.alkalinity'
		],
		[
			'a daily dose of nothing that can be measured',
			() => event('recurring-dose', { supplement: 'x', amountMlPerDay: 1e-9, strength: [] }),
			'details.amountMlPerDay'
		]
	])('%s', async (_what, command, field) => {
		expect(await world.services.log.recordEvent(site.scope, command())).toMatchObject(refused(field));
	});
	it('a daily dose of nothing stops it, and is taken', async () => {
		const stop = event('recurring-dose', { supplement: 'x', amountMlPerDay: 0, strength: [] });
		expect(await world.services.log.recordEvent(site.scope, stop)).toMatchObject({ ok: true });
	});
	it.each([
		['a standard of pH 99999', () => item({ details: contents('ph', 99_999) }), refused('content.ph')],
		[
			'a lot that was bought in 2099',
			() => item({ boughtAt: addDays(NOON, 27_000) }),
			refused('boughtAt', 'in-the-future')
		],
		[
			'a lot that expired before it was bought',
			() => item({ boughtAt: NOON, expiresAt: addDays(NOON, -3) }),
			refused('expiresAt', 'out-of-order')
		],
		['a price below nothing', () => item({ price: -1 }), refused('price')]
	])('%s', async (_what, command, fault) => {
		expect(await world.services.shelf.addToShelf(site.scope, command())).toMatchObject(fault);
	});
	it('more in a bottle than it ever held, and a drop that no dropper gives', async () => {
		const kit = item({
			kind: 'kit',
			methodCode: ALK_SYRINGE.code,
			methodVersion: ALK_SYRINGE.version,
			details: { ...NO_DETAILS, bottles: [{ reagent: 'A', unit: 'ml', full: 8 }] }
		});
		expect(await world.services.shelf.addToShelf(site.scope, kit)).toMatchObject({ ok: true });
		const note = (kind: string, details: object) =>
			world.services.shelf.noteItem(site.scope, {
				id: id(),
				waterId: site.waterId,
				itemId: kit.id,
				kind,
				details,
				happenedAt: NOON,
				note: ''
			} as never);
		expect(await note('counted', { reagent: 'A', amount: 10_000 })).toMatchObject(refused('amount'));
		expect(await note('counted', { reagent: 'A', amount: 8 })).toMatchObject({ ok: true });
		const trial = { by: 'mark', drops: 5, ml: 1000, uMl: 1 };
		expect(await note('drop-size', { reagent: 'A', trial })).toMatchObject(refused('ml'));
	});
	it('a method whose sample, drop, syringe or limits cannot be', async () => {
		const own = { ...ALK_SYRINGE, code: 'own-alk', version: 1 };
		const save = (method: object) =>
			world.services.method.saveMethod(site.scope, {
				id: id(),
				waterId: site.waterId,
				method: method as never,
				revises: null
			});
		const { checkMethod } = await import('../../src/lib/core/method/index.ts');
		const { meter } = ALK_SYRINGE.titration;
		for (const [method, field] of [
			[{ ...own, sampleMl: { full: 1e-9 } }, 'sampleMl.full'],
			[
				{ ...own, titration: { ...own.titration, meter: { ...meter, capacityMl: 5000 } } },
				'titration.meter.capacityMl'
			],
			[
				{
					...own,
					titration: { ...own.titration, meter: { kind: 'drops', dropMl: 200, relativeTolerance: 0 } }
				},
				'titration.meter.dropMl'
			],
			[{ ...own, limits: { low: 12, high: 4 } }, 'limits.high']
		] as const) {
			expect(checkMethod(method as never), field).toMatchObject({ ok: false, fault: { field } });
		}
		expect(await save(own)).toMatchObject({ ok: true });
	});
	it('a session of a kit that nobody has, or of a method that is not there', async () => {
		const {
			stepLog: _,
			reading: __,
			note: ___,
			finishedAt: ____,
			id: _____,
			...run
		} = testRun(world, site.waterId);
		const session = (change: object): SaveSession => ({
			id: id(),
			waterId: site.waterId,
			sessionId: id(),
			revision: 1,
			state: 'under-way',
			dueAt: null,
			startedAt: NOON,
			tests: [
				{
					...run,
					runId: id(),
					offsetMinutes: undefined,
					portion: 'full',
					dilutionParts: null,
					kitId: null,
					standardId: null,
					log: [],
					over: false,
					...change
				} as never
			]
		});
		const save = (change: object) => world.services.bench.saveSession(site.scope, session(change));
		expect(await save({ kitId: id() })).toMatchObject(refused('tests.0.kitId', 'unknown-item'));
		expect(await save({ standardId: id() })).toMatchObject(refused('tests.0.standardId', 'unknown-item'));
		expect(await save({ methodCode: 'nobodys' })).toMatchObject(
			refused('tests.0.methodCode', 'unknown-item')
		);
		expect(await save({ drawnAt: addDays(NOON, 9) })).toMatchObject(
			refused('tests.0.drawnAt', 'in-the-future')
		);
		expect(await save({})).toMatchObject({ ok: true });
	});
});

describe('a whole report', () => {
	const row = (value: number) => ({
		parameter: 'alkalinity' as const,
		unit: 'dkh',
		kind: 'value' as const,
		value,
		expandedU: null,
		drawnAt: addDays(NOON, -1),
		offsetMinutes: 0
	});
	const report = (...values: number[]) =>
		world.services.laboratory.saveReport(site.scope, {
			id: id(),
			waterId: site.waterId,
			source: 'A laboratory',
			rows: values.map(row)
		});
	it('is not held up by what is unusual, since nobody is there to be asked', async () => {
		expect(await report(8, 22)).toMatchObject({ ok: true, value: { kept: 2 } });
	});
	it('with a value that cannot be is refused whole, by its row', async () => {
		expect(await report(8, 80)).toMatchObject({
			ok: false,
			fault: { code: 'beyond-scale', field: 'rows.1.reading.value' }
		});
	});
});
