import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ESLint, type Linter } from 'eslint';
import ts from 'typescript-eslint';
import { afterEach, describe, expect, it } from 'vitest';

const ROOT = join(import.meta.dirname, '..');
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
			'core-has-no-unknown-layer': ['src/lib/core/trend/c.ts', use('../weather/index.ts')],
			'core-imports-core-only': ['src/lib/core/trend/a.ts', use('$lib/server/db/x')],
			'core-judgement-imports-downwards-only': ['src/lib/core/judgement/a.ts', use('./water/index.ts')],
			'core-layer-within-a-folder-uses-its-face': ['src/lib/core/judgement/water/a.ts', use('../inner.ts')],
			'core-numeric-imports-downwards-only': ['src/lib/core/numeric/a.ts', use('../trend/index.ts')],
			'core-through-its-face': ['src/lib/core/trend/b.ts', use('../numeric/inner.ts')],
			'core-through-its-face-from-outside': ['src/lib/format/b.ts', use('$lib/core/judgement/water/rows.ts')],
			'db-and-repository-never-import-service': ['src/lib/server/db/b.ts', use('../service/water/x.ts')],
			'kit-only-at-the-edges': ['src/lib/contract/a.ts', use('@sveltejs/kit')],
			'no-circular': ['src/lib/format/circle.ts', "import './round.ts';\n"],
			'no-unresolvable': ['src/lib/format/a.ts', use('$lib/nowhere')],
			'nothing-imports-scripts': ['src/lib/format/c.ts', use('../../../scripts/x.mjs')],
			'routes-call-no-use-case-themselves': ['src/routes/b.ts', use('$lib/server/service/water/x')],
			'routes-never-reach-the-database': ['src/routes/a.ts', use('$lib/server/db/x')],
			'sql-only-in-db-and-repository': ['src/lib/server/service/a.ts', use('drizzle-orm')],
			// An area of the interface that nobody had thought of.
			'ui-areas-do-not-import-each-other': ['src/lib/ui/board/b.ts', use('$lib/ui/log/x')],
			'use-cases-decode-no-forms': ['src/lib/server/service/b.ts', use('../validation/x.ts')]
		};
		const found = broken({
			'src/lib/core/numeric/index.ts': face,
			'src/lib/core/numeric/inner.ts': face,
			'src/lib/core/trend/index.ts': face,
			'src/lib/core/weather/index.ts': face,
			'src/lib/core/judgement/index.ts': face,
			'src/lib/core/judgement/inner.ts': face,
			'src/lib/core/judgement/water/index.ts': face,
			'src/lib/core/judgement/water/rows.ts': face,
			'src/lib/format/round.ts': "import './circle.ts';\n",
			'src/lib/server/db/x.ts': face,
			'src/lib/server/service/water/x.ts': face,
			'src/lib/server/validation/x.ts': face,
			'src/lib/ui/log/x.ts': face,
			'scripts/x.mjs': face,
			...Object.fromEntries(Object.values(planted))
		});
		expect(found).toEqual(Object.keys(planted));
	});
	it('let types of a use case pass into a route', { timeout: 60_000 }, () => {
		expect(
			broken({
				'src/lib/server/service/water/x.ts': 'export interface X {}\n',
				'src/routes/a.ts':
					"import type { X } from '$lib/server/service/water/x';\nexport const y = {} as X;\n"
			})
		).toEqual([]);
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
