import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TEST_START } from '../../scripts/test-engine.mjs';
import { fromIso, instant } from '../../src/lib/core/time/index.ts';
import { openWorld, testRun } from '../support/site.ts';
import { startWorld, type World } from './world.ts';

let world: World;
let home: string;
let cookie: string;
let water: string;
let raw: mysql.Connection;
beforeAll(async () => {
	home = mkdtempSync(join(tmpdir(), 'tevrik-refused-'));
	world = await startWorld({ env: { TEVRIK_RESTORING: join(home, 'restoring') } });
	const first = await fetch(`${world.origin}/`, { headers: { accept: 'text/html' }, redirect: 'manual' });
	cookie = first.headers.get('set-cookie')!.split(';')[0]!;
	water = first.headers.get('location')!.split('/')[2]!;
	raw = await mysql.createConnection(world.migrationUrl);
});
afterAll(async () => {
	await raw.end();
	await world.stop();
	rmSync(home, { recursive: true, force: true });
});

const get = async (path: string, headers: Record<string, string> = {}) => {
	const got = await fetch(world.origin + path, {
		headers: { cookie, accept: 'text/html', ...headers },
		redirect: 'manual'
	});
	return { status: got.status, headers: got.headers, text: await got.text() };
};
const post = async (path: string, body: string, type = 'application/x-www-form-urlencoded') => {
	const got = await fetch(world.origin + path, {
		method: 'POST',
		headers: { cookie, origin: world.origin, accept: 'text/html', 'content-type': type },
		body,
		redirect: 'manual'
	});
	return { status: got.status, headers: got.headers, text: await got.text() };
};
const form = (path: string, fields: Record<string, string>) =>
	post(path, new URLSearchParams(fields).toString());
const command = async (path: string, body: unknown) => {
	const text = typeof body === 'string' ? body : JSON.stringify(body);
	const got = await post(`/api/waters/${water}/${path}`, text, 'application/json');
	return {
		status: got.status,
		body: JSON.parse(got.text) as { fault?: { code: string; field?: string; details?: object } }
	};
};
let ids: ReturnType<typeof openWorld> | null = null;
const records = () => {
	ids ??= openWorld(world.databaseUrl);
	ids.now = fromIso(TEST_START);
	return ids;
};
afterAll(() => ids?.close());
const newId = () => records().deps.newId();
const run = (change: Parameters<typeof testRun>[2] = {}) => testRun(records(), water, change);

describe('a value that no water holds', () => {
	const stated = (fields: Record<string, string>) =>
		form(`/waters/${water}/log/result`, {
			id: newId(),
			parameter: 'nitrate',
			unit: 'mg-per-l-no3',
			sense: 'value',
			value: '5',
			source: 'Elsewhere',
			happenedAt: '2026-11-23T12:00',
			...fields
		});
	it.each([
		['a bound at the end of what can be', { sense: '<', value: '0' }, /That says nothing/],
		[
			'a sense that is not known',
			{ sense: '≥' },
			/Whether it is a value, less than, or more than is none of the words/
		],
		['an uncertainty that is none', { expandedU: '1e-300' }, /must be a number|lies outside/],
		['an uncertainty beyond all', { expandedU: '9000' }, /lies outside/],
		[
			'a day that is not in the calendar',
			{ happenedAt: '2026-02-30T10:00' },
			/must be a date that is in the calendar/
		],
		['a number for a day', { happenedAt: '1,5' }, /must be a date that is in the calendar/],
		['a day to come', { happenedAt: '2099-01-01T10:00' }, /still to come/]
	])('is refused in words: %s', async (_what, fields, words) => {
		const { status, text } = await stated(fields);
		expect({ status, said: words.test(text) }).toEqual({ status: 400, said: true });
	});
	it('that is possible but unusual is asked about once, and kept with the answer', async () => {
		const unusual = { parameter: 'alkalinity', unit: 'dkh', value: '22' };
		const asked = await stated(unusual);
		expect(asked.status).toBe(400);
		expect(asked.text).toMatch(/22 dKH is unusual for this kind of water/);
		expect(asked.text).toContain('It is so: keep it as it is');
		expect((await stated({ ...unusual, unusual: 'as-read' })).status).toBe(303);
		const [answers] = await raw.query<mysql.RowDataPacket[]>(
			"select a.answer from slip_answer a join result r on r.site_id = a.site_id and r.run_id = a.run_id where r.value = 22 and r.parameter = 'alkalinity'"
		);
		expect(answers.map((a) => a.answer as string)).toEqual(['as-entered']);
	});
});

/** What is kept is kept by counters, which a hand in the tables does not raise. */
const raiseAll = () =>
	raw.query(
		'insert into revision (id, counter) select id, 1 from water on duplicate key update counter = counter + 1'
	);

describe('what an earlier version stored', () => {
	it('that cannot be reckoned with is named with its link, and every page answers', async () => {
		const [[reading]] = await raw.query<mysql.RowDataPacket[]>(
			`select r.site_id, r.id, lower(r.reading_id) as readingId from result r
			 join test_run t on t.site_id = r.site_id and t.id = r.run_id
			 join sample s on s.site_id = t.site_id and s.id = t.sample_id
			 where s.water_id = ? and r.parameter = 'nitrate' and r.current = 1 order by s.drawn_at desc limit 1`,
			[water]
		);
		await raw.query(
			"update result set kind = 'bound', value = null, lower = null, upper = 0, u_random = null, u_common = null where site_id = ? and id = ?",
			[reading!.site_id, reading!.id]
		);
		await raiseAll();
		const [others] = await raw.query<mysql.RowDataPacket[]>(
			'select lower(id) as id from water where id <> ? limit 2',
			[water]
		);
		for (const page of ['today', 'trends', 'bench', 'adjust', 'findings']) {
			const { status, text } = await get(`/waters/${water}/${page}`);
			expect({ page, status }).toEqual({ page, status: 200 });
			expect(text, page).toMatch(/Nitrate .*is left out of all reckoning/s);
			expect(text, page).toContain(`/waters/${water}/log/${String(reading!.readingId)}`);
		}
		for (const page of [
			'log',
			'log.csv',
			'calendar.ics',
			'board',
			'compare',
			'shelf',
			`log/${String(reading!.readingId)}`
		]) {
			expect({ page, status: (await get(`/waters/${water}/${page}`)).status }).toEqual({ page, status: 200 });
		}
		expect((await get(`/waters/${water}/board`)).text).toContain('1 reading is left out of all reckoning');
		for (const { id } of others) expect((await get(`/waters/${String(id)}/today`)).status).toBe(200);
	});
	it('and breaks the reckoning of one water leaves the others theirs, and says which one', async () => {
		const [[broken]] = await raw.query<mysql.RowDataPacket[]>(
			'select e.site_id, e.id, lower(e.water_id) as waterId, w.name from event e join water w on w.site_id = e.site_id and w.id = e.water_id where e.water_id <> ? and e.kind in (?) limit 1',
			[water, ['dose', 'recurring-dose']]
		);
		await raw.query('update event set details = ? where site_id = ? and id = ?', [
			'{"strength":7}',
			broken!.site_id,
			broken!.id
		]);
		await raiseAll();
		const today = await get(`/waters/${water}/today`);
		expect(today.status).toBe(200);
		expect(today.text).toContain('This water could not be judged');
		const board = await get(`/waters/${water}/board`);
		expect(board.status).toBe(200);
		expect(board.text).toMatch(/This water could not be judged/);
		expect(board.text).toContain(`/waters/${String(broken!.waterId)}/log`);
		const calendar = await get(`/waters/${water}/calendar.ics`);
		expect(calendar.status).toBe(200);
		// The page on which it would be looked for opens, and its own Today leads there.
		expect((await get(`/waters/${String(broken!.waterId)}/log`)).status).toBe(200);
		expect((await get(`/waters/${String(broken!.waterId)}/today`)).text).toContain(
			`/waters/${String(broken!.waterId)}/log`
		);
	});
});

describe('times', () => {
	const at = (minutes: number) => instant(Date.parse(TEST_START) + minutes * 60_000);
	it('that lie ahead are told by how many minutes, so that they can be put right', async () => {
		const ahead = run({ drawnAt: at(40), startedAt: at(40), finishedAt: at(41), stepLog: [] });
		const refused = await command('test-runs', ahead);
		expect(refused).toMatchObject({
			status: 400,
			body: {
				fault: { code: 'in-the-future', field: 'finishedAt', details: { minutes: expect.any(Number) } }
			}
		});
		const by = (refused.body.fault!.details as { minutes: number }).minutes * 60_000;
		const right = {
			...ahead,
			drawnAt: ahead.drawnAt - by,
			startedAt: ahead.startedAt - by,
			finishedAt: ahead.finishedAt - by
		};
		expect((await command('test-runs', right)).status).toBe(200);
	});
	it.each([
		['drawn in 2099', { drawnAt: instant(4_070_908_800_000) }, 'in-the-future', 'drawnAt'],
		['drawn after it was begun', { drawnAt: at(-5), startedAt: at(-9) }, 'out-of-order', 'startedAt'],
		[
			'read before it was begun',
			{ drawnAt: at(-20), startedAt: at(-9), finishedAt: at(-10) },
			'out-of-order',
			'finishedAt'
		],
		[
			'steps that run backwards',
			{
				stepLog: [
					{ at: at(-3), kind: 'step-done' as const },
					{ at: at(-4), kind: 'step-done' as const }
				]
			},
			'out-of-order',
			'stepLog.1.at'
		]
	])('out of their order are refused: %s', async (_what, change, code, field) => {
		const body = run({ drawnAt: at(-10), startedAt: at(-10), finishedAt: at(-2), stepLog: [], ...change });
		expect(await command('test-runs', body)).toMatchObject({ status: 400, body: { fault: { code, field } } });
	});
});

describe('a form whose field is not on the page', () => {
	const ID = '01a209a2-e480-751b-8522-e21482777e55';
	it.each([
		['an order without waters', 'waters?/order', { id: ID, waterIds: '' }, /order of the waters is missing/],
		[
			'a volume of a water that is not open',
			'waters?/change',
			{ id: ID, waterId: ID, change: 'volume', litres: '__proto__', how: 'guessed' },
			/volume must be a number/
		],
		[
			'measures of a glass for what has none',
			'waters?/add',
			{ id: ID, name: 'Kitchen reef', kind: 'collected', deep: 'a' },
			/The length is missing/
		],
		[
			'a kind that every object has by itself',
			'adjust/supplements?/save',
			{ id: ID, name: '', kind: 'toString' },
			/kind/
		]
	])('says why it was refused: %s', async (_what, path, fields, why) => {
		const { status, text } = await form(`/waters/${water}/${path}`, fields);
		expect(status).toBe(400);
		const said = [...text.matchAll(/role="alert"[^>]*>([\s\S]*?)<\/p>/g)].map((m) =>
			m[1]!.replace(/<[^>]*>/g, '')
		);
		expect(said.join(' ')).toMatch(why);
	});
});

describe('what is no request', () => {
	const asHost = (host: string) =>
		new Promise<number>((done, failed) => {
			const { hostname, port } = new URL(world.origin);
			request({ hostname, port, path: '/help', headers: { host } }, (r) => {
				r.resume();
				done(r.statusCode ?? 0);
			})
				.on('error', failed)
				.end();
		});
	it.each(['[', 'a b'])('for the host "%s" is refused', async (host) => {
		expect([400, 421]).toContain(await asHost(host));
	});
	it('holds a name that every object has, and is answered like any other', async () => {
		const { status, text } = await post(
			`/waters/${water}/log/new`,
			`id=${newId()}&__proto__=1&constructor=2&kind=dose&happenedAt=2026-11-23T12:00`
		);
		expect(status).toBe(400);
		expect(text).toMatch(/The name of the supplement is missing|The amount/);
		expect((await get(`/waters/${water}/adjust/daily?__proto__=1`)).status).toBe(200);
	});
	it('holds half a character, and is refused by the field', async () => {
		const body = JSON.stringify({ ...run(), note: 'half' }).replace('"half"', '"a\\ud800b"');
		expect(await command('test-runs', body)).toMatchObject({
			status: 400,
			body: { fault: { code: 'invalid-field', field: 'note', details: { rule: 'text-broken' } } }
		});
	});
	it('holds an object where a word is, and is refused by the path', async () => {
		const { SHIPPED_METHODS } = await import('../../src/lib/core/method/index.ts');
		const method = structuredClone(SHIPPED_METHODS[0]!) as unknown as {
			code: string;
			steps: { action: { kind: unknown } }[];
		};
		method.code = 'own-kit';
		method.steps[0]!.action.kind = { toString: 1 };
		expect(await command('methods', { id: newId(), waterId: water, method, revises: null })).toMatchObject({
			status: 400,
			body: { fault: { code: 'invalid-field', field: 'method.steps.0.action.kind' } }
		});
	});
	it('is a broken form, and is told as such', async () => {
		const { status, text } = await post(
			`/waters/${water}/log/new`,
			'--x\r\nbroken',
			'multipart/form-data; boundary=y'
		);
		expect(status).toBe(400);
		expect(text).toContain('no form that can be read');
	});
	it('is too large, and is told how much may come', async () => {
		const { status, text } = await post(`/waters/${water}/log/new`, `note=${'x'.repeat(3_200_000)}`);
		expect(status).toBe(413);
		expect(text).toContain('at most 3 MB');
	});
	it.each([
		'//evil.example',
		'/\t/evil.example',
		'/\n/evil.example',
		'/\\evil.example',
		'https://evil.example',
		'/a\r\nset-cookie: x=1'
	])('asks to be sent to %j, and is sent home', async (back) => {
		const { status, headers } = await form('/preferences', { theme: 'dark', back });
		expect([status, headers.get('location')]).toEqual([303, '/']);
	});
	it('leads nowhere, and leaves no session behind', async () => {
		const count = async () => {
			const [[row]] = await raw.query<mysql.RowDataPacket[]>('select count(*) as n from sign_in_session');
			return Number(row!.n);
		};
		const before = await count();
		for (const path of ['/nowhere', '/waters/x/y/z/w', '/wp-login.php']) {
			const got = await fetch(world.origin + path, { headers: { accept: 'text/html' } });
			expect(got.status).toBe(404);
			expect(got.headers.get('set-cookie')).toBeNull();
		}
		expect(await count()).toBe(before);
	});
	it('names the field that a person sees, not the place in a list', async () => {
		const fields = {
			id: newId(),
			name: 'Of a friend',
			source: 'A friend',
			'calcium.low': '450',
			'calcium.high': '400'
		};
		const { status, text } = await form(`/waters/${water}/profiles?/save`, fields);
		expect(status).toBe(400);
		expect(text).not.toMatch(/bands\.\d/);
		expect(text).toMatch(/450 is not below 400/);
	});
});

describe('while the records are being restored', () => {
	const mark = () => join(home, 'restoring');
	it('every page says so and when to come back; a restore that was killed closes nothing', async () => {
		writeFileSync(mark(), String(process.pid));
		const closed = await get(`/waters/${water}/today`);
		expect([closed.status, closed.headers.get('retry-after')]).toEqual([503, '5']);
		expect(closed.text).toContain('The records are being restored');
		writeFileSync(mark(), '999999999');
		expect((await get(`/waters/${water}/targets`)).status).toBe(200);
		rmSync(mark());
		expect((await get(`/waters/${water}/targets`)).status).toBe(200);
	});
});

describe('what belongs to one person', () => {
	it('is kept by nobody else on the way, and known again by one session only', async () => {
		const page = await get(`/waters/${water}/targets`);
		expect(page.headers.get('cache-control')).toBe('private, no-cache');
		const etag = page.headers.get('etag')!;
		// Its scripts are let in by a number that is new each time, so that no copy of it is good.
		expect(etag).toMatch(/^W\/"[0-9a-f]{32}"$/);
		expect((await get(`/waters/${water}/targets`, { 'if-none-match': etag })).status).toBe(200);
		for (const file of ['log.csv', 'calendar.ics', 'methods/alk-syringe/file']) {
			expect((await get(`/waters/${water}/${file}`)).headers.get('cache-control'), file).toBe('no-store');
		}
	});
});

describe('a photograph', () => {
	let item: string;
	beforeAll(async () => {
		const html = (await get(`/waters/${water}/shelf`)).text;
		item = /\/shelf\/([0-9a-f-]{36})/.exec(html)![1]!;
	});
	const picture = (width: number, height: number) =>
		sharp({ create: { width, height, channels: 3, background: '#3a7' } });
	const keep = async (bytes: Buffer, id = newId()) => {
		const got = await fetch(`${world.origin}/api/waters/${water}/photographs?id=${id}&item=${item}`, {
			method: 'POST',
			headers: { cookie, origin: world.origin, 'content-type': 'image/png' },
			body: new Uint8Array(bytes)
		});
		const body = (await got.json()) as {
			fault?: { code: string; details?: object };
			value?: { photographId: string };
		};
		return { status: got.status, ...body };
	};
	it('is kept as it is, without what hangs on behind its end', async () => {
		const jpeg = await picture(40, 30).jpeg().toBuffer();
		const { status, value } = await keep(
			Buffer.concat([jpeg, Buffer.from('<html><script>alert(1)</script></html>')])
		);
		expect(status).toBe(200);
		const got = await fetch(`${world.origin}/waters/${water}/photographs/${value!.photographId}`, {
			headers: { cookie }
		});
		expect(got.headers.get('cache-control')).toBe('private, no-cache');
		const kept = Buffer.from(await got.arrayBuffer());
		expect(kept.includes('<script>')).toBe(false);
		expect((await sharp(kept).metadata()).width).toBe(40);
		const again = await fetch(got.url, { headers: { cookie, 'if-none-match': got.headers.get('etag')! } });
		expect(again.status).toBe(304);
	});
	it('that is none, or larger than any screen, is refused', async () => {
		const png = await picture(40, 30).png().toBuffer();
		const wrong = Buffer.from(png);
		const data = wrong.indexOf('IDAT') + 6;
		wrong[data] = wrong[data]! ^ 0xff;
		const huge = Buffer.from(png);
		huge.writeUInt32BE(100_000, 16);
		huge.writeUInt32BE(100_000, 20);
		const header = Buffer.concat([
			(await picture(8, 8).jpeg().toBuffer()).subarray(0, 20),
			Buffer.from('<html>'.repeat(40))
		]);
		for (const bytes of [wrong, header, Buffer.from('hello'), png.subarray(0, png.length - 20)]) {
			expect(await keep(bytes)).toMatchObject({ status: 400, fault: { code: 'not-a-photograph' } });
		}
		expect((await keep(huge)).fault?.code).toMatch(/too-large|not-a-photograph/);
		expect(await keep(await picture(5000, 20).png().toBuffer())).toMatchObject({
			status: 413,
			fault: { code: 'too-large', details: { most: 4096 } }
		});
	});
	it('can be taken back, and is then gone for everybody', async () => {
		const { value } = await keep(await picture(60, 20).webp().toBuffer());
		const photographId = value!.photographId;
		const address = `/waters/${water}/photographs/${photographId}`;
		expect((await get(address)).status).toBe(200);
		expect(
			(await command('photographs/withdrawals', { id: newId(), waterId: water, photographId })).status
		).toBe(200);
		expect((await get(address)).status).toBe(404);
		expect((await get(`/waters/${water}/shelf/${item}`)).text).not.toContain(photographId);
		// Its bytes go by a command of the migrating user; what was not taken back keeps its own.
		const kept = (await keep(await picture(30, 30).jpeg().toBuffer())).value!.photographId;
		const removed = spawnSync(process.execPath, ['scripts/remove-photographs.mjs'], {
			encoding: 'utf8',
			env: { ...process.env, MIGRATION_DATABASE_URL: world.migrationUrl }
		});
		expect(removed.stdout).toContain('Removed the bytes of 1 photograph or voice note.');
		const [sizes] = await raw.query<mysql.RowDataPacket[]>(
			'select lower(id) as id, length(content) as bytes from attachment where id in (?)',
			[[photographId, kept]]
		);
		const bytes = new Map(sizes.map((s) => [s.id as string, Number(s.bytes)]));
		expect(bytes.get(photographId)).toBe(0);
		expect(bytes.get(kept)).toBeGreaterThan(100);
		expect(
			(await command('photographs/withdrawals', { id: newId(), waterId: water, photographId })).status
		).toBe(404);
	});
});

describe('what a form is refused for', () => {
	const alerts = (html: string) =>
		[...html.matchAll(/role="alert"[^>]*>([\s\S]*?)<\/p>/g)].map((m) =>
			m[1]!
				.replace(/<[^>]*>/g, ' ')
				.replace(/\s+/g, ' ')
				.trim()
		);
	it('is said above the form where its field does not say it itself', async () => {
		const { status, text } = await form(`/waters/${water}/adjust/supplements?/save`, {
			id: '01a209a2-e480-7a8a-8b65-7df874c5437f',
			kind: 'product',
			unit: 'ml',
			from: '>'
		});
		expect(status).toBe(400);
		expect(alerts(text).filter((words) => words.startsWith('Not yet.'))).toHaveLength(1);
	});
	it('is said once', async () => {
		const log = await get(`/waters/${water}/log`);
		const reading = /log\/([0-9a-f-]{36})/.exec(log.text)![1]!;
		for (const act of ['keep', 'correct']) {
			const { text } = await form(`/waters/${water}/log/${reading}?/${act}`, {});
			expect(alerts(text).filter((words) => words.startsWith('Not yet.'))).toHaveLength(1);
		}
	});
});
