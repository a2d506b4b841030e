import { execFileSync } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { certificateFor, removeAuthority } from './authority.mjs';
import { houseAddresses, houseNames } from './house.mjs';

const folder = join(mkdtempSync(join(tmpdir(), 'tevrik-authority-')), 'house');
afterAll(() => rmSync(join(folder, '..'), { recursive: true, force: true }));

const NAMES = ['192.168.0.20', 'kitchen.local'];
const DAY_MS = 86_400_000;
const now = Date.parse('2026-11-29T12:00:00Z');

describe('the authority of a house', () => {
	it('is made once, and what it signs holds for the names of the house alone', async () => {
		const made = await certificateFor(folder, NAMES, now);
		expect(made.renewed).toBe(true);
		const [own, authority] = [new X509Certificate(made.cert), new X509Certificate(made.authority)];
		expect(own.verify(authority.publicKey)).toBe(true);
		expect(own.ca).toBe(false);
		expect(authority.ca).toBe(true);
		expect(own.checkIP('192.168.0.20')).toBe('192.168.0.20');
		expect(own.checkHost('kitchen.local')).toBe('kitchen.local');
		expect(own.checkHost('elsewhere.example')).toBeUndefined();
		const again = await certificateFor(folder, NAMES, now);
		expect(again).toMatchObject({ renewed: false, cert: made.cert, authority: made.authority });
	});

	it('is readable by its owner alone', () => {
		for (const file of ['authority.key', 'house.key']) {
			expect(statSync(join(folder, file)).mode & 0o077, file).toBe(0);
		}
		expect(statSync(folder).mode & 0o077).toBe(0);
	});

	it('renews a certificate before it ends, and for a new name, and stays itself', async () => {
		const before = await certificateFor(folder, NAMES, now);
		const later = await certificateFor(folder, NAMES, now + 340 * DAY_MS);
		expect(later).toMatchObject({ renewed: true, authority: before.authority });
		expect(later.until.getTime() - now).toBeGreaterThan(700 * DAY_MS);
		const named = await certificateFor(folder, [...NAMES, '10.0.0.4'], now + 341 * DAY_MS);
		expect(named).toMatchObject({ renewed: true, authority: before.authority });
		expect(new X509Certificate(named.cert).checkIP('10.0.0.4')).toBe('10.0.0.4');
	});

	it('makes anew what was damaged, but never another authority', async () => {
		const { authority } = await certificateFor(folder, NAMES, now);
		const { writeFileSync } = await import('node:fs');
		writeFileSync(join(folder, 'house.crt'), 'nonsense');
		expect(await certificateFor(folder, NAMES, now)).toMatchObject({ renewed: true, authority });
	});

	it('is borne out by another program', () => {
		const said = execFileSync('openssl', [
			'verify',
			'-attime',
			String(now / 1000),
			'-CAfile',
			join(folder, 'authority.crt'),
			join(folder, 'house.crt')
		]).toString();
		expect(said).toContain(': OK');
		expect(readFileSync(join(folder, 'authority.key'), 'utf8')).toContain('PRIVATE KEY');
	});

	it('is taken away by one command', () => {
		expect(removeAuthority(folder)).toBe(true);
		expect(removeAuthority(folder)).toBe(false);
	});
});

describe('the addresses of a house', () => {
	const at = (address: string, more = {}) => ({ address, family: 'IPv4', internal: false, ...more });
	it('are those that a home network gives out, and no others', () => {
		const interfaces = {
			lo: [at('127.0.0.1', { internal: true })],
			wifi: [at('192.168.1.7'), at('fe80::1', { family: 'IPv6' })],
			cable: [at('10.4.0.2'), at('172.20.1.1'), at('172.32.0.1'), at('8.8.4.4'), at('11.0.0.1')]
		};
		expect(houseAddresses(interfaces as never)).toEqual(['192.168.1.7', '10.4.0.2', '172.20.1.1']);
		expect(houseAddresses({})).toEqual([]);
	});

	it('have the name of the machine, where that is one', () => {
		expect(houseNames('Kitchen.lan')).toEqual(['kitchen', 'kitchen.local']);
		expect(houseNames('localhost')).toEqual([]);
		expect(houseNames('bad name!')).toEqual([]);
	});
});
