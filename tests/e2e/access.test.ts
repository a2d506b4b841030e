import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NO_DETAILS, type AddItem } from '../../src/lib/contract/shelf.ts';
import { openWorld, testRun } from '../support/site.ts';
import { fromIso } from '../../src/lib/core/time/index.ts';
import { startWorld, type World } from './world.ts';

const ROUTES = join(import.meta.dirname, '../../src/routes');

let world: World;
let cookie: string;
let own: string;
let foreign: { water: string; reading: string };
let foreignItem: string;

const NO_THING: Omit<AddItem, 'id' | 'waterId'> = {
	kind: 'vial',
	name: 'A vial of another site',
	lotCode: '',
	methodCode: null,
	methodVersion: null,
	price: null,
	boughtAt: null,
	expiresAt: null,
	details: NO_DETAILS
};
beforeAll(async () => {
	world = await startWorld();
	const first = await fetch(`${world.origin}/`, { headers: { accept: 'text/html' }, redirect: 'manual' });
	cookie = first.headers.get('set-cookie')!.split(';')[0]!;
	own = first.headers.get('location')!.split('/')[2]!;
	const records = openWorld(world.databaseUrl);
	records.now = fromIso('2026-11-23T12:00:00Z');
	const other = await records.site('another');
	const run = testRun(records, other.waterId);
	await records.services.reading.saveTestRun(other.scope, run);
	foreign = { water: other.waterId, reading: run.readingId };
	const item = { ...NO_THING, id: records.deps.newId(), waterId: other.waterId };
	await records.services.shelf.addToShelf(other.scope, item);
	foreignItem = item.id;
	await records.close();
});
afterAll(() => world.stop());

/** Every page and endpoint that there is, found in the source, so that a new one cannot be forgotten. */
function allRoutes(): { path: string; post: boolean; page: boolean }[] {
	const files = (readdirSync(ROUTES, { recursive: true }) as string[]).map((f) =>
		relative(ROUTES, join(ROUTES, f))
	);
	const routes = new Map<string, { path: string; post: boolean; page: boolean }>();
	for (const file of files) {
		const kind = /(^|\/)\+(page\.svelte|page\.server\.ts|server\.ts)$/.exec(file);
		if (!kind) continue;
		const path = `/${file.slice(0, kind.index)}`;
		const route = routes.get(path) ?? { path, post: false, page: false };
		routes.set(path, {
			path,
			post: route.post || kind[2] === 'server.ts' || kind[2] === 'page.server.ts',
			page: route.page || kind[2] === 'page.svelte'
		});
	}
	return [...routes.values()];
}
const withIds = (path: string, water: string, reading: string) =>
	path
		.replace('[water]', water)
		.replace('[reading]', reading)
		.replace('[item]', reading)
		.replace('[plan]', reading)
		.replace('[photograph]', reading)
		.replace('[happening]', 'death')
		.replace('[event]', '01a2304c-9e18-709d-8d13-d98f8582c75c');

const bodyFor = (path: string) =>
	path.startsWith('/api')
		? { headers: { 'content-type': 'application/json' }, body: '{}' }
		: { headers: { 'content-type': 'application/x-www-form-urlencoded' }, body: 'kind=note&note=x' };

/** The forms of a page, found in its source as the routes are; a page that has no named ones is sent to plainly. */
function actionsOf(path: string): readonly string[] {
	const file = join(ROUTES, path, '+page.server.ts');
	if (!existsSync(file)) return [''];
	const [, body = ''] = readFileSync(file, 'utf8').split('export const actions = {');
	const names = [...body.split('\n}')[0]!.matchAll(/^\t(?:async )?(\w+)\s*[:(,]/gm)].map((m) => m[1]);
	return names.length === 0 || names[0] === 'default' ? [''] : names.map((name) => `?/${name}`);
}

describe('every route', () => {
	const routes = allRoutes().filter((r) => r.path.includes('[water]'));
	it('is among those that are tried', () => {
		expect(routes.map((r) => r.path)).toContain('/waters/[water]/log/[reading]');
		expect(routes.length).toBeGreaterThanOrEqual(9);
		expect(actionsOf('/waters/[water]/practice')).toEqual(['?/decide', '?/share']);
		expect(actionsOf('/waters/[water]/findings')).toEqual(['']);
	});
	it.each(routes.map((r) => [r.path, r] as const))(
		'%s answers another site’s ids like unknown ones',
		async (path, route) => {
			const unknown = '01a209a2-0000-7000-8000-000000000000';
			const tries: [string, string][] = [
				[foreign.water, foreign.reading],
				[unknown, unknown],
				['x', 'x'],
				...(path.includes('[reading]') ? ([[own, foreign.reading]] as [string, string][]) : []),
				...(path.includes('[plan]') ? ([[own, foreign.reading]] as [string, string][]) : []),
				...(path.includes('[item]') ? ([[own, foreignItem]] as [string, string][]) : [])
			];
			for (const [water, reading] of tries) {
				const url = world.origin + withIds(path, water, reading);
				if (!path.startsWith('/api')) {
					const got = await fetch(url, { headers: { cookie, accept: 'text/html' } });
					expect({ url, status: got.status }).toEqual({ url, status: 404 });
					expect(await got.text()).not.toContain('another');
				}
				if (route.post) {
					const { headers, body } = bodyFor(path);
					const [action] = actionsOf(path);
					const posted = await fetch(url + action, {
						method: 'POST',
						headers: { cookie, origin: world.origin, accept: 'text/html', ...headers },
						body
					});
					expect([404, 405]).toContain(posted.status);
				}
			}
		}
	);
	it.each(routes.map((r) => [r.path, r] as const))(
		'%s is closed to nobody signed in',
		async (path, route) => {
			const url = world.origin + withIds(path, own, own);
			// Asked for as data, not as a page: only pages sign the demo member in.
			const got = await fetch(url, { headers: { accept: 'application/json' }, redirect: 'manual' });
			expect([401, 405]).toContain(got.status);
			if (route.post) {
				const { headers, body } = bodyFor(path);
				for (const action of actionsOf(path)) {
					const posted = await fetch(url + action, {
						method: 'POST',
						headers: { origin: world.origin, ...headers },
						body
					});
					expect([401, 405]).toContain(posted.status);
				}
			}
		}
	);
});

describe('a private calendar address', () => {
	it('answers one that is not like one that never was', async () => {
		for (const token of ['x', 'a'.repeat(43), '..%2f..%2fetc']) {
			const got = await fetch(`${world.origin}/calendar/${token}.ics`);
			expect(got.status).toBe(404);
		}
	});
});

describe('the JSON endpoint', () => {
	const send = (body: string, headers: Record<string, string> = {}) =>
		fetch(`${world.origin}/api/waters/${own}/test-runs`, {
			method: 'POST',
			headers: { cookie, origin: world.origin, 'content-type': 'application/json', ...headers },
			body
		});
	const whole = () => {
		const records = openWorld(world.databaseUrl);
		records.now = fromIso('2026-11-23T18:00:00Z');
		const run = testRun(records, own);
		void records.close();
		return run;
	};
	it('takes a whole command once', async () => {
		const body = JSON.stringify(whole());
		const [first, again] = [await send(body), await send(body)];
		expect([first.status, again.status]).toEqual([200, 200]);
		expect(await again.json()).toEqual(await first.json());
		expect((await send(body.replace('"note":""', '"note":"other"'))).status).toBe(409);
	});
	it('refuses other origins, other media, and what is too large', async () => {
		const body = JSON.stringify(whole());
		expect((await send(body, { origin: 'http://elsewhere.example' })).status).toBe(403);
		expect((await send(body, { 'content-type': 'text/plain' })).status).toBe(415);
		expect((await send(JSON.stringify({ ...whole(), note: 'x'.repeat(400_000) }))).status).toBe(413);
	});
	it.each([
		['not JSON', () => '{', 'body'],
		['an empty object', () => '{}', 'id'],
		[
			'letters for a volume',
			() => JSON.stringify(whole()).replace('"lowerMl":0.41', '"lowerMl":"much"'),
			'reading.fills.0.end.lowerMl'
		],
		[
			'a volume below zero',
			() => JSON.stringify(whole()).replace('"lowerMl":0.41', '"lowerMl":-0.41'),
			'reading.fills.0.end.lowerMl'
		],
		[
			'a volume beyond the syringe',
			() => JSON.stringify(whole()).replaceAll('0.41', '4.1'),
			'reading.fills.0.end.lowerMl'
		],
		[
			'null for a number',
			() => JSON.stringify(whole()).replace('"lowerMl":0.41', '"lowerMl":null'),
			'reading.fills.0.end.lowerMl'
		],
		['a field that is not known', () => JSON.stringify({ ...whole(), moon: 1 }), 'moon'],
		['an id that is none', () => JSON.stringify({ ...whole(), id: '7' }), 'id']
	])('refuses %s, naming the field', async (_what, body, field) => {
		const answer = await send(body());
		expect(answer.status).toBe(400);
		expect(await answer.json()).toMatchObject({ fault: { field } });
	});
});

describe('the address', () => {
	const ask = (host: string) =>
		new Promise<{ status: number; location: string | undefined }>((done, failed) => {
			void import('node:http').then(({ request }) => {
				const { port } = new URL(world.origin);
				request({ host: '127.0.0.1', port, path: '/help', headers: { host } }, (r) => {
					r.resume();
					done({ status: r.statusCode ?? 0, location: r.headers.location });
				})
					.on('error', failed)
					.end();
			});
		});
	it('is one, by its name: the number is sent there, strangers are refused', async () => {
		const { host, port } = new URL(world.origin);
		expect(host).toBe(`localhost:${port}`);
		expect(await ask(`127.0.0.1:${port}`)).toEqual({ status: 307, location: `http://${host}/help` });
		expect((await ask('elsewhere.example')).status).toBe(421);
	});
	it('sets a cookie that scripts cannot read, and says so little as it can', async () => {
		const page = await fetch(`${world.origin}/waters/${own}/today`, { headers: { accept: 'text/html' } });
		expect(page.headers.get('set-cookie')).toMatch(/HttpOnly.*SameSite=Lax|SameSite=Lax.*HttpOnly/i);
		expect(page.headers.get('content-security-policy')).toMatch(/script-src 'self' 'nonce-/);
		expect(page.headers.get('x-content-type-options')).toBe('nosniff');
	});
	it('answers a limited number of requests in a minute', async () => {
		const { createLimiter } = await import('../../src/lib/server/limiter.ts');
		let now = 0;
		const limiter = createLimiter({ now: () => now as never }, 3);
		expect([1, 2, 3, 4].map(() => limiter.admits('a'))).toEqual([true, true, true, false]);
		expect(limiter.admits('b')).toBe(true);
		now = 60_000;
		expect(limiter.admits('a')).toBe(true);
	});
});

describe('without the demo member', () => {
	it('says that nobody is signed in', async () => {
		const closed = await startWorld({ signIn: false });
		const got = await fetch(`${closed.origin}/`, { headers: { accept: 'text/html' } });
		expect(got.status).toBe(401);
		expect(await got.text()).toContain('You are not signed in.');
		await closed.stop();
	});
});
