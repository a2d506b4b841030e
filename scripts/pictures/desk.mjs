// The views at the desk.
import { DESK, pictureOf, wait } from './camera.mjs';

export async function deskPictures({ visit, compose }) {
	await visit(DESK, 'light', async ({ goto, press, page, shot }) => {
		await shot('today');
		await goto('/trends?span=quarter');
		await shot('trends');
		await goto('/log');
		await shot('log');
		await goto('/shelf');
		await shot('shelf');
		await goto('/bench');
		const choosing = [await pictureOf(page)];
		await goto('/bench/taken');
		await page.focus('input[data-taken]');
		for (const read of ['0.47', '0.81']) {
			await page.keyboard.type(read);
			await page.keyboard.press('Enter');
		}
		choosing.push(await pictureOf(page));
		await compose('bench-choose', choosing, { ...DESK, inRow: 2 });
		await goto('/compare?parameter=alkalinity');
		await shot('compare');
		await goto('/adjust/change?litres=120&count=3&target=nitrate&to=4');
		const adjusting = [await pictureOf(page)];
		await goto('/adjust/daily');
		adjusting.push(await pictureOf(page));
		await goto('/adjust/plan');
		adjusting.push(await pictureOf(page));
		await goto('/adjust');
		await compose('adjust', [await pictureOf(page), ...adjusting], { ...DESK, inRow: 2 });
		await press('Raise alkalinity and calcium');
		await page.waitForSelector('main figure');
		await wait(400);
		await shot('plan');
	});
	await visit(DESK, 'light', async ({ page, shot }) => {
		const href = await page.evaluate(
			() =>
				[...document.querySelectorAll('header details a')].find((a) =>
					a.textContent.includes('Classroom tank')
				).href
		);
		await page.goto(href, { waitUntil: 'networkidle0' });
		await page.evaluate(() => document.querySelector('#cycle').scrollIntoView({ block: 'start' }));
		await shot('cycle');
	});
}

/** Something that presses, as it shows in the plan. */
export async function dangerPicture({ visit }) {
	// A stopped pump, as it shows: three readings by a second kit, each lower than any tank makes it.
	await visit(DESK, 'light', async ({ goto, page, shot }) => {
		for (const [value, hoursAgo] of [
			['5.6', 20],
			['5.0', 8],
			['4.8', 0]
		]) {
			await goto('/log/result?parameter=alkalinity');
			await page.evaluate(
				(fields, ago) => {
					const set = (name, text) => {
						const field = document.querySelector(`main [name="${name}"]`);
						field.value = text;
						field.dispatchEvent(new Event('input', { bubbles: true }));
					};
					for (const [name, text] of fields) set(name, text);
					const [day, month, year, time] = document
						.querySelector('main [name=happenedAt]')
						.value.split(/[/ ]/);
					const shown = Date.parse(`${year}-${month}-${day}T${time}Z`);
					set('happenedAt', new Date(shown - ago * 3_600_000).toISOString().slice(0, 16));
				},
				[
					['value', value],
					['expandedU', '0.2'],
					['source', 'A second kit']
				],
				hoursAgo
			);
			await Promise.all([page.waitForNavigation(), page.click('main form button[type=submit]')]);
		}
		await goto('/adjust/plan?goals=alkalinity');
		await shot('danger');
	});
}
