import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { build } from '../../scripts/application.mjs';
import { BUILD, commandsIn } from './command.ts';
import { freePort } from '../../scripts/database.mjs';

/** However busy the machine is. */
const PATIENCE = { timeout: 120_000, interval: 300 };

const { home, command, refusal, end } = commandsIn('tevrik-demo-');
beforeAll(() => void build(BUILD, join(BUILD, '../kit')));
afterAll(end);

describe('npm run demo', () => {
	it('says in a sentence what is wrong with how it was started', async () => {
		expect(await refusal('demo.mjs', ['--moon'])).toMatchObject({
			status: 1,
			said: expect.stringMatching(/^"--moon" is not an option\. There are:/)
		});
		expect(await refusal('demo.mjs', ['--port', 'x'])).toMatchObject({
			status: 1,
			said: expect.stringMatching(/^The port must be a whole number/)
		});
		expect(
			await refusal('demo.mjs', ['--fresh', '--port', String(await freePort())], {
				DATABASE_URL: 'mysql://a:b@127.0.0.1:1/x'
			})
		).toMatchObject({
			status: 1,
			said: expect.stringMatching(/never one named by DATABASE_URL/)
		});
	});
	it('says so when the port is in use', async () => {
		const server = createServer();
		const port = await new Promise<number>((done) => {
			server.listen(0, '127.0.0.1', () => done((server.address() as { port: number }).port));
		});
		expect(await refusal('demo.mjs', ['--port', String(port)])).toMatchObject({
			status: 1,
			said: expect.stringMatching(new RegExp(`^Port ${port} on 127\\.0\\.0\\.1 is in use by another program`))
		});
		server.close();
	});
	it('says so when it may not write where its records would go', async () => {
		const file = join(home, 'a-file');
		writeFileSync(file, '');
		const port = String(await freePort());
		expect(await refusal('demo.mjs', ['--port', port], { TEVRIK_HOME: join(file, 'x') })).toMatchObject({
			status: 1,
			said: expect.stringMatching(/^\S+ cannot be made: a part of its path is a file, not a folder\.$/)
		});
	});
	it('says so when its database folder is broken, and touches nothing', async () => {
		const broken = mkdtempSync(join(tmpdir(), 'tevrik-broken-'));
		mkdirSync(join(broken, 'database/data/mysql'), { recursive: true });
		writeFileSync(join(broken, 'database/secrets.json'), '{"root":"x","migrate":"y","app":"z"}');
		writeFileSync(join(broken, 'database/data/ibdata1'), 'nonsense');
		const port = String(await freePort());
		const damaged = await refusal('demo.mjs', ['--port', port], { TEVRIK_HOME: broken });
		expect(damaged).toMatchObject({
			status: 1,
			said: expect.stringMatching(/did not start[\s\S]*restore a backup, or begin anew/)
		});
		expect(readFileSync(join(broken, 'database/data/ibdata1'), 'utf8')).toBe('nonsense');
		rmSync(join(broken, 'database/data'), { recursive: true });
		expect(await refusal('demo.mjs', ['--port', port], { TEVRIK_HOME: broken })).toMatchObject({
			status: 1,
			said: expect.stringMatching(/is damaged or empty/)
		});
		rmSync(broken, { recursive: true, force: true });
	});

	it('starts, keeps what was entered over a clean end and a killed one, and can be backed up and put back', async () => {
		const port = String(await freePort());
		const origin = `http://localhost:${port}`;
		let cookie = '';
		const open = async () => {
			const first = await fetch(origin, { headers: { accept: 'text/html' }, redirect: 'manual' });
			cookie = first.headers.get('set-cookie')!.split(';')[0]!;
			return origin + first.headers.get('location')!.replace('/today', '');
		};
		const enter = async (note: string) => {
			const base = await open();
			const form = await (await fetch(`${base}/log/new?kind=note`, { headers: { cookie } })).text();
			const id = /name="id" value="([0-9a-f-]{36})"/.exec(form)![1]!;
			const body = new URLSearchParams({ id, kind: 'note', note, happenedAt: '2026-01-02T03:04' });
			const sent = await fetch(`${base}/log/new`, {
				method: 'POST',
				headers: { cookie, origin, accept: 'text/html' },
				body,
				redirect: 'manual'
			});
			expect(sent.status).toBe(303);
		};
		const notes = async () => {
			const csv = await (await fetch(`${await open()}/log.csv?what=events`, { headers: { cookie } })).text();
			return csv
				.split('\r\n')
				.filter((l) => l.includes(',note,'))
				.map((l) => l.split(',')[15]);
		};

		const first = command('demo.mjs', ['--port', port]);
		await first.until(`Tevrik is at ${origin}`);
		await enter('before the end');

		// What ends by itself is started again, and what was saved is there.
		const pidIn = (file: string) => Number(readFileSync(join(home, file), 'utf8'));
		process.kill(pidIn('server.pid'), 'SIGKILL');
		await first.until('The server ended unexpectedly and is started again (1 of 3)');
		await vi.waitFor(async () => expect(await notes()).toContain('before the end'), PATIENCE);
		process.kill(pidIn('database/mariadb.pid'), 'SIGKILL');
		await first.until('The database ended unexpectedly and is started again (1 of 3)');
		await vi.waitFor(async () => expect(await notes()).toContain('before the end'), PATIENCE);

		const backup = await refusal('backup.mjs', ['backup', join(home, 'copies')]);
		expect(backup).toMatchObject({ status: 0, said: expect.stringMatching(/^Saved to .*\.sql\.gz$/) });
		first.child.kill('SIGINT');
		expect(await first.ended).toBe(0);
		await expect(fetch(origin)).rejects.toThrow();
		expect(existsSync(join(home, 'database/mariadb.pid'))).toBe(false);

		const second = command('demo.mjs', ['--port', port]);
		await second.until('Tevrik is at');
		expect(await notes()).toContain('before the end');
		await enter('before the kill');
		second.child.kill('SIGKILL');
		await second.ended;

		// Its server and database were left behind; the next start ends them and goes on.
		const third = command('demo.mjs', ['--port', port]);
		await third.until('Tevrik is at');
		expect(await notes()).toEqual(expect.arrayContaining(['before the end', 'before the kill']));

		const file = backup.said.replace('Saved to ', '');
		expect(await refusal('backup.mjs', ['restore', file])).toMatchObject({
			status: 1,
			said: expect.stringMatching(/--yes/)
		});
		expect(await refusal('backup.mjs', ['restore', file, '--yes'])).toMatchObject({
			status: 0,
			said: expect.stringMatching(/^Restored/)
		});
		expect(await notes()).toContain('before the end');
		expect(await notes()).not.toContain('before the kill');
		third.child.kill('SIGINT');
		expect(await third.ended).toBe(0);

		// Where everybody is its keeper, nobody begins with their own.
		expect(await refusal('start.mjs', ['--port', port])).toMatchObject({
			status: 1,
			said: expect.stringContaining('this database holds the demo')
		});
	});
	it('signs nobody in when others can reach it, unless it is told to', async () => {
		const port = String(await freePort());
		const open = command('demo.mjs', ['--port', port, '--host', '0.0.0.0']);
		await open.until('nobody is signed in');
		const got = await fetch(`http://localhost:${port}/`, {
			headers: { accept: 'text/html', host: `0.0.0.0:${port}` }
		});
		expect([401, 421]).toContain(got.status);
		open.child.kill('SIGINT');
		expect(await open.ended).toBe(0);
	});
});
