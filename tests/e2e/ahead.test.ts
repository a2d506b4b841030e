import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { begin, type } from './hand.ts';
import { openPage, PHONE, startWorld, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

/** The device's clock jumps; the server's does not. */
const AHEAD_MS = 11 * 60_000;

describe('a device whose clock is ahead', () => {
	it('keeps what was read, says by how much, and is put right in one press', async () => {
		const me = await openPage(world, '/', PHONE);
		await begin(me, 'alk-meter');
		await type(me, 'on the display', '143');
		await me.page.evaluate((ms) => dispatchEvent(new CustomEvent('tevrik:clock', { detail: ms })), AHEAD_MS);
		await me.press('That is what it shows');
		await me.press('Save the result');
		await me.sees(/That time is still to come: it lies 1\d minutes ahead .*what was read is kept here/);
		await me.press('Put right by 1');
		await me.sees('Saved.');
		await me.goto('/log');
		await me.sees(/143 mg\/L CaCO₃/);
		expect(me.complaints.filter((c) => !c.includes('400'))).toEqual([]);
		await me.close();
	});
});
