// All parts of the interface, in both themes and sizes, side by side.
import { join } from 'node:path';
import { DESK, OUT, PHONE, wait } from './camera.mjs';

export async function kitPicture({ browser, server, visit }) {
	const parts = [];
	for (const [viewport, theme] of [DESK, PHONE].flatMap((v) => ['light', 'dark'].map((t) => [v, t]))) {
		await visit({ ...viewport, height: 2900 }, theme, async ({ page }) => {
			await page.goto(`${server.origin}/kit`, { waitUntil: 'networkidle0' });
			await wait(500);
			parts.push(await page.screenshot({ encoding: 'base64' }));
		});
	}
	const sheet = await browser.newPage();
	await sheet.setViewport({
		width: 2 * DESK.width + 2 * PHONE.width + 60,
		height: 2900,
		deviceScaleFactor: 0.5
	});
	const pictures = parts.map((data) => `<img src="data:image/png;base64,${data}">`).join('');
	await sheet.setContent(`<body style="margin:0;display:flex;gap:20px;background:#888">${pictures}</body>`);
	await sheet.screenshot({ path: join(OUT, 'kit.png') });
	console.log('docs/screenshots/kit.png');
}
