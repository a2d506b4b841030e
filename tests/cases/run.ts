// npm run -s cases -- FILE...   puts reference cases through the core; without a file, the project's own.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkCase } from './check.ts';
import type { ReferenceCase } from './shape.ts';

const own = import.meta.dirname;
const files =
	process.argv.length > 2
		? process.argv.slice(2)
		: readdirSync(own)
				.filter((f) => f.endsWith('.json'))
				.map((f) => join(own, f));

let passed = 0;
let failed = 0;
for (const file of files) {
	let cases: ReferenceCase[];
	try {
		cases = JSON.parse(readFileSync(file, 'utf8')) as ReferenceCase[];
	} catch (error) {
		console.error(`${file} cannot be read: ${(error as Error).message}`);
		process.exitCode = 1;
		continue;
	}
	for (const reference of cases) {
		const mismatches = checkCase(reference);
		if (mismatches.length === 0) {
			passed++;
			continue;
		}
		failed++;
		console.log(`${reference.op}: ${reference.name}\n  given    ${JSON.stringify(reference.given)}`);
		for (const { key, expected, computed } of mismatches) {
			console.log(
				`  ${key}\n    expected ${JSON.stringify(expected)}\n    computed ${JSON.stringify(computed)}`
			);
		}
	}
}
console.log(`${passed} passed, ${failed} failed`);
if (failed > 0) process.exitCode = 1;
