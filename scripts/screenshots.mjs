// npm run screenshots   one picture of each main view from the demo world, with a clock that stands still
import { mkdirSync } from 'node:fs';
import { ensurePackages, ensurePrograms } from './bootstrap.mjs';
import { instrumentPictures, sessionPictures } from './pictures/bench.mjs';
import { composerOf, CLOCK, MOVING_CLOCK, OUT, PHONE, SECRET, visitorOf } from './pictures/camera.mjs';
import { dangerPicture, deskPictures } from './pictures/desk.mjs';
import { kitPicture } from './pictures/kit.mjs';
import { ownPictures } from './pictures/own.mjs';
import { peoplePictures } from './pictures/people.mjs';
import { practicePictures } from './pictures/practice.mjs';
import { sinkPictures } from './pictures/sink.mjs';
import { main } from './say.mjs';

/** Goes through the demo, at the desk and at the bench. */
async function pictures(browser, server, moving) {
	const phones = [];
	const taken = {
		browser,
		server,
		moving,
		phones,
		compose: composerOf(browser),
		visit: visitorOf(browser, server)
	};
	await deskPictures(taken);
	await instrumentPictures(taken);
	await sessionPictures(taken);
	await peoplePictures({ ...taken, origin: server.origin });
	await sinkPictures(taken);
	await practicePictures(taken);
	await dangerPicture(taken);
	await ownPictures(taken);
	await taken.compose('phones', phones, { width: PHONE.width, height: PHONE.height, inRow: phones.length });
	await kitPicture(taken);
}

await main(async () => {
	ensurePrograms('mariadb', 'chromium');
	ensurePackages();
	const { launchBrowser } = await import('./browser.mjs');
	const { withDemoWorld } = await import('./demo-world.mjs');
	mkdirSync(OUT, { recursive: true });
	const shown = { TEVRIK_KIT: '1', TEVRIK_SECRET: SECRET };
	await withDemoWorld({ clock: CLOCK, env: shown }, async (world) => {
		const server = await world.serve({ TEVRIK_CLOCK: CLOCK });
		// A session is shown under way: its clock runs.
		const moving = await world.serve({ TEVRIK_CLOCK: MOVING_CLOCK });
		const browser = await launchBrowser();
		try {
			await pictures(browser, server, moving);
		} finally {
			await browser.close();
		}
	});
});
