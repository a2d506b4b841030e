// npm run words -- FILE   writes what the main pages of the demo world say, for all its waters, to a file: two versions
// of the program are held against each other by it
import { writeFileSync } from 'node:fs';
import { main } from './say.mjs';
import { withTemplateWorld } from './template-world.ts';
import { TEST_START } from './test-engine.mjs';

const VIEWS = [
	'today',
	'bench',
	'trends',
	'trends?span=year',
	'adjust',
	'adjust/daily',
	'adjust/change',
	'log',
	'shelf',
	'findings',
	'testing',
	'targets',
	'compare',
	'methods',
	'board'
];

/** What a person reads: no programs, no marks, a line for each piece of text. Names of things change with every seed. */
const wordsOf = (html: string) =>
	html
		.replace(/<(script|style)\b[\s\S]*?<\/\1>/g, '')
		.replace(/<!--[\s\S]*?-->/g, '')
		.replace(/<[^>]+>/g, '\n')
		.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, '…')
		.split('\n')
		.map((line) => line.trim())
		.filter(Boolean);

await main(async () => {
	const file = process.argv[2];
	if (!file) throw new Error('name the file to write: npm run words -- FILE');
	// It hardly moves: every page is of the same minute.
	await withTemplateWorld({ env: { TEVRIK_CLOCK: `${TEST_START},0.001` } }, async ({ origin }) => {
		const accept = { accept: 'text/html' };
		const begin = await fetch(origin, { headers: accept, redirect: 'manual' });
		const cookie = begin.headers.get('set-cookie')!.split(';')[0]!;
		const look = async (path: string) => {
			const response = await fetch(origin + path, { headers: { ...accept, cookie } });
			return { address: response.url, html: await response.text() };
		};
		const first = await look('/');
		const own = /waters\/([0-9a-f-]{36})/.exec(first.address)![1]!;
		const ids = [...(await look(`/waters/${own}/board`)).html.matchAll(/\/waters\/([0-9a-f-]{36})/g)];
		const said: string[] = [];
		for (const id of new Set(ids.map((m) => m[1]!))) {
			const name = /<title>[^<]*· ([^<·]+) ·/.exec((await look(`/waters/${id}/today`)).html)?.[1] ?? '';
			for (const view of VIEWS) {
				const { html } = await look(`/waters/${id}/${view}`);
				said.push(`== ${name} ${view}`, ...wordsOf(html));
			}
		}
		writeFileSync(file, said.join('\n') + '\n');
		console.log(`${said.length} lines of ${VIEWS.length} views in ${file}`);
	});
});
process.exit();
