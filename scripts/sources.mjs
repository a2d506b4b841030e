// Tells whether the built application still fits its sources.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ROOT } from './bootstrap.mjs';

const SOURCES = ['src', 'static', 'package-lock.json', 'svelte.config.js', 'vite.config.ts'];

function* filesIn(path) {
	if (!existsSync(path)) return;
	if (statSync(path).isDirectory())
		for (const name of readdirSync(path).sort()) yield* filesIn(join(path, name));
	else if (!path.endsWith('.test.ts')) yield path;
}

export function sourceDigest() {
	const hash = createHash('sha256');
	for (const source of SOURCES) {
		for (const file of filesIn(join(ROOT, source)))
			hash.update(relative(ROOT, file)).update(readFileSync(file));
	}
	return hash.digest('hex');
}
