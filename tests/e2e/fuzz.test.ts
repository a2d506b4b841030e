import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TEST_START } from '../../scripts/test-engine.mjs';
import { instant } from '../../src/lib/core/time/index.ts';
import { idMaker } from '../../src/lib/server/clock.ts';
import { attack, scout } from '../fuzz/attack.ts';
import { allDoors } from '../fuzz/routes.ts';
import { nonsenseStored } from '../fuzz/stored.ts';
import { startWorld, type World } from './world.ts';

/** A small share; `npm run fuzz` goes on for as long as one likes. */
const REQUESTS = 400;
const SEED = 20_261_123;

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

describe('nonsense at every door', () => {
	it('fails nowhere, is stored nowhere, and is answered by the name of the field', async () => {
		const nowMs = Date.parse(TEST_START);
		const newId = idMaker({ now: () => instant(nowMs) });
		const attacked = await scout(world.origin, nowMs, newId, [newId(), newId()]);
		const { findings } = await attack(allDoors(), attacked, SEED, (n) => n >= REQUESTS, 0.1);
		expect(findings).toEqual([]);
		expect(await nonsenseStored(world.migrationUrl, nowMs)).toEqual([]);
	});
});
