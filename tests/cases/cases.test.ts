import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { checkCase } from './check.ts';
import type { ReferenceCase } from './shape.ts';

const folder = import.meta.dirname;

for (const file of readdirSync(folder).filter((f) => f.endsWith('.json'))) {
	describe(`reference cases of ${file}`, () => {
		const cases = JSON.parse(readFileSync(join(folder, file), 'utf8')) as ReferenceCase[];
		it.each(cases.map((c) => [`${c.op}: ${c.name}`, c] as const))('%s', (_name, reference) => {
			expect(checkCase(reference)).toEqual([]);
		});
	});
}

describe('the runner itself', () => {
	const base = { op: 'alkalinity_convert', name: 'x', given: { alk_meq_per_L: 1 } };
	it('notices a wrong number, an unknown key, an unknown operation and a missing refusal', () => {
		expect(checkCase({ ...base, expect: { alk_dKH: 2.9 }, tolerance: { alk_dKH: 0.01 } })).toHaveLength(1);
		expect(checkCase({ ...base, given: { alk_meq_per_L: 1, moon: 2 }, expect: {} })).toHaveLength(1);
		expect(checkCase({ ...base, op: 'nothing', expect: {} })).toHaveLength(1);
		expect(checkCase({ ...base, expect: { error: true } })).toHaveLength(1);
		expect(
			checkCase({ ...base, op: 'chart_lookup', given: { points: [[1, 2]], x: 1 }, expect: { error: true } })
		).toEqual([]);
	});
});
