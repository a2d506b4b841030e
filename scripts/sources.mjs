// Tells whether what was made earlier still fits its sources.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ROOT } from './bootstrap.mjs';

const BUILT_FROM = [
	'src',
	'static',
	'package-lock.json',
	'svelte.config.js',
	'vite.config.ts',
	'vite.reckon.config.ts'
];

function* filesIn(path) {
	if (!existsSync(path)) return;
	if (statSync(path).isDirectory())
		for (const name of readdirSync(path).sort()) yield* filesIn(join(path, name));
	else if (!path.endsWith('.test.ts')) yield path;
}

/** One digest of all files in these places, tests left out. */
export function digestOf(sources) {
	const hash = createHash('sha256');
	for (const source of sources) {
		for (const file of filesIn(join(ROOT, source)))
			hash.update(relative(ROOT, file)).update(readFileSync(file));
	}
	return hash.digest('hex');
}

/** Of what the built application is made from. */
export const sourceDigest = () => digestOf(BUILT_FROM);
