import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ESLint, type Linter } from 'eslint';
import ts from 'typescript-eslint';
import { afterEach, describe, expect, it } from 'vitest';

const ROOT = join(import.meta.dirname, '../..');
let folder = '';
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** Lays out a small project with our rules and tells which of them it breaks. */
function broken(files: Record<string, string>): string[] {
	mkdirSync(join(ROOT, '.test'), { recursive: true });
	folder = mkdtempSync(join(ROOT, '.test/planted-'));
	for (const [name, text] of Object.entries(files)) {
		mkdirSync(dirname(join(folder, name)), { recursive: true });
		writeFileSync(join(folder, name), text);
	}
	for (const name of ['.dependency-cruiser.cjs', 'tsconfig.depcruise.json'])
		copyFileSync(join(ROOT, name), join(folder, name));
	symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
	const done = spawnSync(
		join(ROOT, 'node_modules/.bin/depcruise'),
		['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'],
		{ cwd: folder, encoding: 'utf8' }
	);
	const report = JSON.parse(done.stdout) as { summary: { violations: { rule: { name: string } }[] } };
	return [...new Set(report.summary.violations.map((v) => v.rule.name))].sort();
}
const face = 'export const x = 1;\n';

describe('the import rules', () => {
	it('let a plain downward import pass', { timeout: 60_000 }, () => {
		expect(
			broken({
				'src/lib/core/numeric/index.ts': face,
				'src/lib/core/trend/index.ts': "export { x } from '../numeric/index.ts';\n"
			})
		).toEqual([]);
	});
	it('catch a planted breach of each kind', { timeout: 60_000 }, () => {
		const use = (from: string) => `import { x } from '${from}';\nexport const y = x;\n`;
		const planted: Record<string, readonly [file: string, text: string]> = {
			'browser-side-never-imports-server': ['src/lib/ui/today/a.ts', use('$lib/server/db/x')],
			'core-imports-core-only': ['src/lib/core/trend/a.ts', use('$lib/server/db/x')],
			'core-numeric-imports-downwards-only': ['src/lib/core/numeric/a.ts', use('../trend/index.ts')],
			'core-through-its-face': ['src/lib/core/trend/b.ts', use('../numeric/inner.ts')],
			'no-unresolvable': ['src/lib/format/a.ts', use('$lib/nowhere')],
			'routes-never-reach-the-database': ['src/routes/a.ts', use('$lib/server/db/x')],
			'sql-only-in-db-and-repository': ['src/lib/server/service/a.ts', use('drizzle-orm')],
			'ui-areas-do-not-import-each-other': ['src/lib/ui/board/b.ts', use('$lib/ui/log/x')]
		};
		expect(
			broken({
				'src/lib/core/numeric/index.ts': face,
				'src/lib/core/numeric/inner.ts': face,
				'src/lib/core/trend/index.ts': face,
				'src/lib/server/db/x.ts': face,
				'src/lib/ui/log/x.ts': face,
				...Object.fromEntries(Object.values(planted))
			})
		).toEqual(Object.keys(planted));
	});
});

describe('the lint rules', () => {
	/** What is tried here is seen without the types, which take most of the time. */
	const WITHOUT_TYPES: Linter.Config = {
		languageOptions: { parserOptions: { projectService: false } },
		rules: ts.configs.disableTypeChecked.rules ?? {}
	};
	/** What is said of a file of ours if this stood in it. */
	async function said(file: string, text: string): Promise<string[]> {
		const [result] = await new ESLint({ cwd: ROOT, overrideConfig: WITHOUT_TYPES }).lintText(text, {
			filePath: join(ROOT, file)
		});
		return result!.messages.map((m) => `${m.ruleId}: ${m.message}`);
	}
	it('catch a type of the server in a component', { timeout: 60_000 }, async () => {
		const text = `<script lang="ts">
	import type { Services } from '$lib/server/services';
	let { services }: { services: Services } = $props();
</script>

{typeof services}
`;
		expect((await said('src/lib/ui/board/BoardView.svelte', text)).join()).toMatch(
			/no-restricted-imports.*never imports the server/
		);
	});
	it('catch who reaches for the pool inside a transaction', { timeout: 60_000 }, async () => {
		const use = (inside: string) => `import { once } from './once.ts';
import type { PooledDeps } from './deps.ts';
export const act = (deps: PooledDeps) => once(deps, {} as never, 'x', { id: '' }, async (tx, within) => ${inside});
`;
		const rule = /Inside a transaction there is only what was handed in/;
		const file = 'src/lib/server/service/keep-reading.ts';
		expect(
			(await said(file, use('{ void deps.clock; void tx; void within; return {} as never; }'))).join()
		).toMatch(rule);
		expect((await said(file, use('{ void tx; void within; return {} as never; }'))).join()).not.toMatch(rule);
	});
	it(
		'catch a part that is written out by hand, also one that is chosen while it runs',
		{
			timeout: 60_000
		},
		async () => {
			const rule = /Use the part of ui\/kit/;
			for (const markup of ['<button>x</button>', '<table></table>', "<svelte:element this={'input'} />"]) {
				expect((await said('src/lib/ui/board/BoardView.svelte', markup)).join(), markup).toMatch(rule);
				expect((await said('src/routes/+error.svelte', markup)).join(), markup).toMatch(rule);
				expect((await said('src/lib/ui/kit/Button.svelte', markup)).join(), markup).not.toMatch(rule);
				expect((await said('src/lib/ui/instrument/Strip.svelte', markup)).join(), markup).not.toMatch(rule);
			}
		}
	);
});
