import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROUTES = join(import.meta.dirname, '../../src/routes');

/** One thing that can be asked of the application, found in its source. */
export interface Door {
	/** "GET /waters/[water]/log", "POST /waters/[water]/log/new", "POST /waters/[water]/testing?/stage". */
	readonly name: string;
	readonly method: 'GET' | 'POST';
	/** With the parts in brackets that an address fills in. */
	readonly path: string;
	/** "?/stage" of a page with several forms; '' of one with a single form. */
	readonly action: string;
	/** Of a form, or of data. */
	readonly kind: 'page' | 'form' | 'json' | 'bytes' | 'file';
}

/** The named actions of a page: what stands at the first level of `actions`. */
function actionsIn(source: string): string[] {
	const body = /export const actions = \{\n([\s\S]*?)\n\} satisfies Actions/.exec(source)?.[1] ?? '';
	return [...body.matchAll(/^\t(\w+):/gm)].map((m) => m[1]!);
}

/** Every page, form and endpoint that there is, so that a new one cannot be forgotten. */
export function allDoors(): Door[] {
	const doors: Door[] = [];
	for (const file of readdirSync(ROUTES, { recursive: true }) as string[]) {
		const kind = /(^|\/)\+(page\.svelte|page\.server\.ts|server\.ts)$/.exec(file);
		if (!kind) continue;
		const path = `/${file.slice(0, kind.index)}`;
		const source = readFileSync(join(ROUTES, file), 'utf8');
		if (kind[2] === 'page.svelte')
			doors.push({ name: `GET ${path}`, method: 'GET', path, action: '', kind: 'page' });
		else if (kind[2] === 'page.server.ts') {
			for (const name of actionsIn(source)) {
				const action = name === 'default' ? '' : `?/${name}`;
				doors.push({ name: `POST ${path}${action}`, method: 'POST', path, action, kind: 'form' });
			}
		} else {
			for (const [, verb] of source.matchAll(/export const (GET|POST) =/g)) {
				const method = verb as 'GET' | 'POST';
				const takes = method === 'GET' ? 'file' : source.includes('answerCommand') ? 'json' : 'bytes';
				doors.push({ name: `${method} ${path}`, method, path, action: '', kind: takes });
			}
		}
	}
	return doors.sort((a, b) => (a.name < b.name ? -1 : 1));
}
