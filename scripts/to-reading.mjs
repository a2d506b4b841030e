/** On the bench: picks a method and goes through its steps until its instrument stands there. */
export async function toReading(page, code, done) {
	await page.waitForSelector(`button[value="${code}"]`);
	await page.$eval(`button[value="${code}"]`, (button) => button.click());
	await page.evaluate(() =>
		[...document.querySelectorAll('button')].find((b) => b.innerText.startsWith('Start ')).click()
	);
	for (let i = 0; i < 200; i++) {
		const there = await page.evaluate((text) => {
			const buttons = [...document.querySelectorAll('main button')].filter(
				(b) => b.offsetParent && !b.disabled
			);
			const has = (t) => buttons.find((b) => b.innerText.trim() === t);
			if (has(text)) return true;
			for (const next of ['Go on as it is', 'Done, go on', 'Add a drop', 'Start swirling']) {
				const button = has(next);
				if (button) {
					button.click();
					break;
				}
			}
			return false;
		}, done);
		if (there) return;
		await new Promise((resolve) => setTimeout(resolve, 40));
	}
	throw new Error('no instrument');
}
