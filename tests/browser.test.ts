import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const ROOT = new URL('..', import.meta.url).pathname;
const filesIn = (folder: string) =>
	readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
		.filter((path) => /\.(ts|svelte)$/.test(path) && !path.endsWith('.test.ts'))
		.map((path) => join(ROOT, folder, path));
const read = (path: string) => readFileSync(path, 'utf8');
/** Imports of a file that bring something else than types. */
function brought(text: string): { readonly names: readonly string[]; readonly from: string }[] {
	return [...text.matchAll(/import\s+(type\s+)?\{([^}]*)\}\s+from\s+'([^']+)'/g)].flatMap(
		([, types, names, from]) => {
			const values = names!
				.split(',')
				.map((n) => n.trim())
				.filter((n) => n !== '' && !n.startsWith('type '));
			return types || values.length === 0 ? [] : [{ names: values, from: from! }];
		}
	);
}

describe('what a browser is sent', () => {
	it('holds no schemas: these are checked where they are kept', () => {
		const contracts = filesIn('src/lib/contract');
		const nameOf = (path: string) => path.split('/').at(-1)!.replace(/\.ts$/, '');
		const withSchemas = new Set(contracts.filter((p) => read(p).includes('@sinclair/typebox')).map(nameOf));
		// Whoever brings a value out of one of these brings its schemas.
		for (let grew = true; grew;) {
			grew = false;
			for (const path of contracts) {
				if (withSchemas.has(nameOf(path))) continue;
				const reaches = brought(read(path)).some(
					({ from }) => from.startsWith('./') && withSchemas.has(nameOf(from))
				);
				if (reaches) grew = Boolean(withSchemas.add(nameOf(path)));
			}
		}
		expect(withSchemas.size).toBeGreaterThan(10);
		const sent = ['ui', 'client', 'format', 'workers'].flatMap((room) => filesIn(`src/lib/${room}`));
		const guilty = sent.flatMap((path) =>
			brought(read(path))
				.filter(({ from }) => from.startsWith('$lib/contract/') && withSchemas.has(nameOf(from)))
				.map(({ names, from }) => `${path.slice(ROOT.length)}: ${names.join(', ')} of ${from}`)
		);
		expect(guilty).toEqual([]);
	});
});
