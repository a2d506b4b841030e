import { describe, expect, it } from 'vitest';
import { diagnose } from './diagnosis.mjs';

const NOW = Date.parse('2026-11-20T12:00:00Z');
const DAY = 86_400_000;
const WELL = {
	now: NOW,
	nodeVersion: '20.19.5',
	database: { version: 'MariaDB 10.11', missingMigrations: 0, unknownMigrations: 0 },
	disk: { path: '/srv', freeBytes: 9e9 },
	lastRecordAt: NOW - DAY,
	clockSynced: true as boolean | null,
	hasRecords: true,
	backups: { folder: 'backups', newestAt: (NOW - DAY) as number | null },
	address: { origin: 'http://localhost:4280' as string | null },
	certificates: [{ of: 'the house', until: NOW + 100 * DAY }] as object[],
	secretMode: 0o600 as number | null
};
const wrong = (over: object) =>
	diagnose({ ...WELL, ...over })
		.filter((f) => f.isWrong)
		.map((f) => f.text);

describe('what is wrong, in sentences', () => {
	it('is nothing where all stands well, and that is said, too', () => {
		expect(wrong({})).toEqual([]);
		expect(diagnose(WELL).map((f) => f.text)).toHaveLength(7);
	});
	it.each([
		['an old program', { nodeVersion: '18.20.1' }, /Node 18\.20\.1 is too old/],
		['no database', { database: { fault: 'connection refused' } }, /not reached: connection refused/],
		['older records', { database: { ...WELL.database, missingMigrations: 2 } }, /2 changes are missing/],
		['newer records', { database: { ...WELL.database, unknownMigrations: 1 } }, /newer version/],
		['a full disk', { disk: { path: '/srv', freeBytes: 2e8 } }, /Only 0\.2 GB are free/],
		['a clock that stands back', { lastRecordAt: NOW + DAY }, /stands before the last record/],
		['a clock that nobody sets', { clockSynced: false }, /not set by the network/],
		['no backup', { backups: { folder: 'b', newestAt: null } }, /no backup in b/],
		['an old backup', { backups: { folder: 'b', newestAt: NOW - 9 * DAY } }, /9 days old/],
		['silence', { address: { origin: 'http://localhost:4280', fault: 'refused' } }, /does not answer/],
		['an ended certificate', { certificates: [{ of: 'x', until: NOW - DAY }] }, /of x ended/],
		['one that ends soon', { certificates: [{ of: 'x', until: NOW + 3.5 * DAY }] }, /in 3 days/],
		['a secret that others read', { secretMode: 0o644 }, /chmod 600/]
	])('names %s', (_, over, words) => {
		const found = wrong(over);
		expect(found).toHaveLength(1);
		expect(found[0]).toMatch(words);
		// What to do is said with it.
		expect(found[0]!.length).toBeGreaterThan(40);
	});
});
