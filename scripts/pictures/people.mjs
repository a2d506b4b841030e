// The people of a house.
import { DESK, PHONE, pictureOf, TOURED } from './camera.mjs';

/** Somebody is asked in, comes in on a phone, and sets up a second step; a tablet, a round, a sheet for a visitor. */
export async function peoplePictures({ browser, origin, phones, compose }) {
	const device = async (viewport) => {
		const context = await browser.createBrowserContext();
		await context.setCookie(...TOURED);
		const page = await context.newPage();
		await page.setViewport(viewport);
		return page;
	};
	const go = (page, path) => page.goto(origin + path, { waitUntil: 'networkidle0' });
	const press = async (page, words) => {
		const handle = await page.waitForFunction(
			(text) =>
				[...document.querySelectorAll('main :is(button, a, summary)')].find(
					(e) => e.innerText.trim().startsWith(text) && e.offsetParent
				),
			{ timeout: 10_000 },
			words
		);
		await handle.click();
		await page.waitForNetworkIdle();
	};
	const linkOn = (page) =>
		page.$eval('main [role=status] .select-all', (e) => new URL(e.innerText.trim()).pathname);
	const pictures = [];
	const keep = async (page, into = pictures) => {
		await page.evaluate(() => (document.activeElement?.blur(), scrollTo(0, 0)));
		into.push(await pictureOf(page));
	};

	const owner = await device(DESK);
	await go(owner, '/');
	const base = new URL(owner.url()).pathname.replace(/\/today$/, '');
	await go(owner, `${base}/people`);
	await owner.type('[name=forWhom]', 'Mika');
	await owner.click('[name=withCode]');
	await press(owner, 'Make the invitation');
	await keep(owner);
	const [link, code] = [
		await linkOn(owner),
		await owner.$eval('main [role=status] .tracking-widest', (e) => e.innerText)
	];

	const guest = await device(PHONE);
	await go(guest, link);
	await guest.type('[name=code]', code);
	await guest.type('[name=displayName]', 'Mika');
	await guest.type('[name=password]', 'three odd red snails');
	await keep(guest, phones);
	await press(guest, 'Make my account');
	// Left before it stands there whole, it leaves a request behind that the browser never reports as ended.
	await guest.waitForFunction(() => location.pathname.endsWith('/today'));
	await guest.waitForNetworkIdle();
	await guest.setViewport({ ...DESK, height: 1000 });
	await go(guest, '/account');
	await press(guest, 'Set it up');
	await guest.type('form[action="?/begin"] [name=password]', 'three odd red snails');
	await press(guest, 'Go on');
	await guest.setViewport(DESK);
	await keep(guest);
	await guest.evaluate(() => document.querySelector('main img').scrollIntoView({ block: 'center' }));
	pictures.push(await pictureOf(guest));

	await go(owner, `${base}/people`);
	await press(owner, 'Add a device');
	await owner.type('[name=name]', 'Tablet on the cabinet');
	await press(owner, 'Make its link');
	const tablet = await device(DESK);
	await go(tablet, await linkOn(owner));
	await Promise.all([tablet.waitForNavigation({ waitUntil: 'networkidle0' }), press(tablet, 'Yes, this')]);
	await go(tablet, '/place');
	await keep(tablet);

	await go(owner, `${base}/round`);
	await owner.$$eval('[name=tank]', (all) => all.slice(0, 3).forEach((e) => e.click()));
	await press(owner, 'Plan the round');
	await keep(owner);
	await go(owner, `${base}/sheet`);
	await owner.type('[name=forWhom]', 'Ines');
	await owner.type('[name=note]', 'Feed half until nitrate is down.');
	await keep(owner);
	await press(owner, 'Make a link');
	await go(guest, await linkOn(owner));
	await guest.setViewport({ width: PHONE.width, height: PHONE.height });
	await keep(guest, phones);
	await compose('people', pictures, { ...DESK, inRow: 2 });
}
