import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const ROOT = join(import.meta.dirname, '..');
const readme = readFileSync(join(ROOT, 'README.md'), 'utf8');

describe('the map in the README', () => {
	it('leads to things that are there', () => {
		const places = [...readme.matchAll(/\| `(src\/[^`]+)` +\|/g)].map((m) => m[1]!);
		expect(places).toHaveLength(13);
		expect(places.filter((place) => !existsSync(join(ROOT, place)))).toEqual([]);
	});
	it('links to files that are there', () => {
		const files = [...readme.matchAll(/\]\(([^)#:]+)\)/g)].map((m) => m[1]!);
		expect(files.length).toBeGreaterThan(20);
		expect(files.filter((file) => !existsSync(join(ROOT, file)))).toEqual([]);
	});
});
