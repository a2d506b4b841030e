import { mkdtemp, readdir, readFile, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openMail } from './mail.ts';

let folder: string;
beforeAll(async () => {
	folder = join(await mkdtemp(join(tmpdir(), 'tevrik-mail-')), 'mails');
});
afterAll(() => rm(folder, { recursive: true, force: true }));

describe('mail', () => {
	it('is kept as a file where no server for it is known, and read by nobody else', async () => {
		const send = openMail({ smtp: null, from: 'Tevrik <tevrik@example.org>', folder })!;
		await send({ to: 'rowan@example.org', subject: 'A new password', text: 'https://here/reset/abc' });
		const [name] = await readdir(folder);
		const text = await readFile(join(folder, name!), 'utf8');
		expect(text).toMatch(/^To: rowan@example\.org/m);
		expect(text).toMatch(/^From: Tevrik <tevrik@example\.org>/m);
		expect(text).toContain('https://here/reset/abc');
		expect((await stat(join(folder, name!))).mode & 0o077).toBe(0);
	});
	it('cannot be sent where neither was set up', () => {
		expect(openMail({ smtp: null, from: 'x', folder: null })).toBeNull();
	});
});
