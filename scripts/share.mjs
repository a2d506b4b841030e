// npm run -s share   the tests' share of all code: non-blank lines of tracked source files
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

const files = execFileSync('git', ['ls-files'], { encoding: 'utf8' })
	.split('\n')
	.filter((f) => /\.(ts|svelte|css|js|mjs|cjs|sh)$/.test(f));
const isTest = (file) => /\.test\.ts$/.test(file) || file.startsWith('tests/');
let tests = 0;
let all = 0;
for (const file of files) {
	const lines = readFileSync(file, 'utf8')
		.split('\n')
		.filter((l) => l.trim() !== '').length;
	all += lines;
	if (isTest(file)) tests += lines;
}
console.log(`tests ${tests} of ${all} lines, ${((100 * tests) / all).toFixed(1)} %`);
