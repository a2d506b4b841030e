// The bench: its instruments, and a session of five tests.
import { DESK, PHONE, pictureOf } from './camera.mjs';
import { goThrough, layOut, titrate, toInstrument } from './hands.mjs';

const FIVE = {
	Alkalinity: 'alk-syringe',
	Calcium: 'ca-syringe',
	Magnesium: 'mg-syringe',
	Nitrate: 'no3-ladder',
	Potassium: 'k-filter'
};

/** Each kind of instrument where it is read. */
export async function instrumentPictures({ visit, compose, phones }) {
	const instruments = [];
	await visit(DESK, 'light', async (walk) => {
		await titrate(walk);
		const syringe = [await pictureOf(walk.page)];
		await walk.press('Colour has turned');
		syringe.push(await pictureOf(walk.page));
		instruments.push(...syringe);
	});
	await visit(PHONE, 'light', async (walk) => {
		phones.push(await pictureOf(walk.page));
	});
	await visit(DESK, 'light', async (walk) => {
		const { page, press } = walk;
		await toInstrument(walk, 'no3-card');
		for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowUp');
		await press('Daylight, on white');
		instruments.push(await pictureOf(page));
	});
	await compose('bench-read', instruments, { ...DESK, inRow: 3 });
}

/** Laid out, under way and done. */
export async function sessionPictures({ visit, moving, compose, phones }) {
	const session = [];
	const atTitration = (state) => state.reads === 'Colour has turned';
	await visit(
		DESK,
		'light',
		async (walk) => {
			await layOut(walk, FIVE);
			session.push(await pictureOf(walk.page));
			await walk.press('Begin');
			await goThrough(walk, atTitration);
			for (let k = 0; k < 40; k++) await walk.page.keyboard.press('ArrowDown');
			session.push(await pictureOf(walk.page));
			await goThrough(walk, () => false);
			// What was just finished is still on its way.
			await walk.page.waitForFunction(() => !document.body.innerText.includes('not on the server yet'));
			session.push(await pictureOf(walk.page));
		},
		moving
	);
	await compose('session', session, { ...DESK, inRow: 3 });
	await visit(
		PHONE,
		'light',
		async (walk) => {
			await layOut(walk, { Nitrate: 'no3-card', Phosphate: 'po4-card', Alkalinity: 'alk-syringe' });
			await walk.press('Begin');
			await goThrough(walk, (state) => state.heading.includes('at once'));
			phones.push(await pictureOf(walk.page));
		},
		moving
	);
}
