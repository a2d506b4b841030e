import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openPage, startWorld, type Person, type World } from './world.ts';

let world: World;
beforeAll(async () => {
	world = await startWorld();
});
afterAll(() => world.stop());

/** Enters what a second kit read, so many hours ago. */
async function enter(me: Person, value: string, hoursAgo: number): Promise<void> {
	await me.goto('/log/result?parameter=alkalinity');
	await me.fill('[name=value]', value);
	await me.fill('[name=expandedU]', '0.2');
	await me.fill('[name=source]', 'A second kit');
	await me.page.$eval(
		'main [name=happenedAt]',
		(field, ago) => {
			const input = field as HTMLInputElement;
			const [, day, month, year, time] = /^(\d+)\/(\d+)\/(\d+) (\S+)$/.exec(input.value)!;
			const shown = Date.parse(`${year}-${month}-${day}T${time}Z`);
			input.value = new Date(shown - ago * 3_600_000).toISOString().slice(0, 16);
			input.dispatchEvent(new Event('input', { bubbles: true }));
		},
		hoursAgo
	);
	await Promise.all([me.page.waitForNavigation(), me.page.click('main form button[type=submit]')]);
}

describe('a dosing pump that stands', () => {
	it('is asked for before all else on every page, and nothing is added until somebody looked', async () => {
		const me = await openPage(world);
		await enter(me, '5.6', 20);
		// One odd reading is set aside until another confirms it.
		await me.goto('/today');
		expect(await me.text()).not.toContain('does the dosing pump run?');
		await me.sees('Alkalinity: a reading to look at.');
		await enter(me, '5.0', 8);
		await enter(me, '4.8', 0);
		for (const view of ['/today', '/shelf', '/log', '/trends', '/adjust', '/adjust/daily']) {
			await me.goto(view);
			expect(await me.text(), view).toMatch(/Danger to animals Alkalinity: does the dosing pump run\?/);
		}
		await me.goto('/today');
		await me.sees('A correction waits until you have looked');
		await me.goto('/adjust/daily');
		await me.sees('Look at both before anything is added');
		expect(await me.text()).not.toMatch(/of Part one, carbonate a day what is used/);
		await me.goto('/adjust/plan?goals=alkalinity');
		await me.sees('Look at both before anything is added, and test again.');
		expect(await me.text()).not.toContain('Begin today');
		// It answers as soon as it is said.
		await me.page.click('[name=looked]');
		await me.page.waitForFunction(
			() => !document.querySelector('main')!.innerText.includes('Look at both before anything is added')
		);
		// One runs already, which leaves no room for another.
		const main = await me.page.$eval('main', (e) => e.innerText.replace(/\s+/g, ' '));
		expect(main).not.toContain('Look at both before anything is added');
		expect(main).toMatch(/Begin today|Plans that run already add all of the alkalinity/);
		await me.goto('/testing');
		await me.sees(/Alkalinity.*(It moves as in no tank|The correction under way has a test)/);
		expect(me.complaints).toEqual([]);
		await me.close();
	});
});
