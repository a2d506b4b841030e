import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { faultsOn } from './axe.ts';
import { openPage, startWorld, type Person, type World } from './world.ts';

let world: World;
let cookie: string;
/** Of the school, where the owner of the library is made a helper. */
let helped: string;
let me: Person;
beforeAll(async () => {
	world = await startWorld();
	const first = await fetch(`${world.origin}/`, { headers: { accept: 'text/html' }, redirect: 'manual' });
	cookie = first.headers.get('set-cookie')!.split(';')[0]!;
	me = await openPage(world);
	helped = await me.page.evaluate(
		() =>
			[...document.querySelectorAll<HTMLAnchorElement>('header a')].find(
				(a) => a.textContent.trim() === 'Classroom tank'
			)!.pathname
	);
	helped = `/waters/${helped.split('/')[2]}`;
	// What somebody may do is asked of the records at every request, not of the session.
	const records = await mysql.createConnection(world.migrationUrl);
	await records.query(
		"update membership set role = 'helper' where role = 'keeper' and site_id = (select site_id from water where id = ?)",
		[helped.split('/')[2]]
	);
	await records.end();
});
afterAll(async () => {
	await me.close();
	await world.stop();
});

const post = async (path: string, fields: Record<string, string>) => {
	const got = await fetch(world.origin + path, {
		method: 'POST',
		headers: { cookie, origin: world.origin, accept: 'text/html' },
		body: new URLSearchParams(fields)
	});
	return { status: got.status, text: await got.text() };
};
const bodyOf = () => me.page.evaluate(() => document.body.innerText);

describe('somebody who helps at a site', () => {
	it.each(['targets', 'adjust/limits', 'waters', 'testing', 'shelf/new'])(
		'looks at %s and can fill in nothing, and is told who can',
		async (path) => {
			await me.page.goto(`${world.origin}${helped}/${path}`);
			expect(await bodyOf()).toMatch(
				/To look at\. As a helper of this site you cannot .*\. Its owner or a keeper can\./
			);
			const enabled = await me.page.$$eval(
				'main :is(button, input, select, textarea):not(:disabled)',
				(found) => found.length
			);
			expect(enabled).toBe(0);
			expect(await faultsOn(me)).toEqual({ found: [], overflows: false });
		}
	);
	it('is not offered what it does not decide, and is offered what it does', async () => {
		await me.page.goto(`${world.origin}${helped}/methods`);
		expect(await bodyOf()).not.toMatch(/Enter a kit from its leaflet|Bring in a method file/);
		await me.page.goto(`${world.origin}${helped}/log`);
		expect(await bodyOf()).toContain('Enter something');
		await me.page.goto(`${world.origin}${helped}/bench`);
		expect(await bodyOf()).not.toContain('To look at.');
	});
	it('is refused at the server whatever the page shows, with words', async () => {
		const { status, text } = await post(`${helped}/targets`, {
			id: '01a209a2-e482-7d64-aa00-61a1a92f77b2',
			parameter: 'calcium',
			low: '400',
			high: '450',
			aim: '',
			source: 'ours',
			fromAt: '2026-11-23T12:00'
		});
		expect(status).toBe(403);
		expect(text).toContain('As a helper of this site you cannot set what is wanted');
	});
	it('keeps all of its own site', async () => {
		await me.page.goto(`${me.base}/targets`);
		expect(await bodyOf()).not.toContain('To look at.');
	});
});
