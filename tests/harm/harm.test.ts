import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { SITUATIONS, withTables } from './table.ts';

describe.each(Object.entries(SITUATIONS))('%s', (_group, situations) => {
	it.each(situations.map((s) => [s.what, s] as const))('%s', (_what, { advised }) => {
		expect(advised()).not.toBe('');
	});
});

describe('the table of what may never harm', () => {
	it('holds sixty situations or more, each once', () => {
		const all = Object.values(SITUATIONS).flatMap((group) => group.map((s) => s.what));
		expect(new Set(all).size).toBe(all.length);
		expect(all.length).toBeGreaterThanOrEqual(60);
	});
	it('stands in docs/safety.md as it is: npm run harm writes it', () => {
		const plain = (text: string) => text.replace(/[-\s|]+/g, ' ');
		const document = readFileSync(join(import.meta.dirname, '../../docs/safety.md'), 'utf8');
		expect(plain(document)).toBe(plain(withTables(document)));
	});
});
