import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { functionsIn, shapeOf } from './shape.mjs';

const ROOT = join(import.meta.dirname, '..');
/** A function of the core that is longer says in its comment why. */
const MOST_LINES = 60;
const REASON = /In one piece because/;
/** More are an object with names. */
const MOST_ARGUMENTS = 4;
/** A room with more has two subjects. */
const MOST_IN_A_ROOM = 10;

/** The comment that stands before a function. */
function commentBefore(file: string, line: number): string {
	const before = readFileSync(join(ROOT, file), 'utf8')
		.split('\n')
		.slice(0, line - 1)
		.join('\n');
	return /\/\*\*(?:(?!\*\/)[\s\S])*\*\/\s*$/.exec(before)?.[0] ?? '';
}

describe('the shape of the code', () => {
	it('is measured function by function', () => {
		const text = `
/** Says. */
export function outer(a: number, b: number): number {

	const inner = (c: number) => (c > 1 && c < 5 ? c : 0);
	if (a > b) return inner(a);
	return b ?? inner(b);
}
`;
		expect(functionsIn('x.ts', text)).toEqual([
			{ file: 'x.ts', name: 'outer', line: 3, lines: 5, arguments: 2, ways: 3 },
			{ file: 'x.ts', name: 'inner', line: 5, lines: 1, arguments: 1, ways: 3 }
		]);
	});
	it('has no function of the core that is long for no reason', () => {
		const long = shapeOf('src/lib/core').functions.filter((f) => f.lines > MOST_LINES);
		expect(long.filter((f) => !REASON.test(commentBefore(f.file, f.line)))).toEqual([]);
	});
	it('has no function of the core whose arguments nobody can tell apart', () => {
		const { functions } = shapeOf('src/lib/core');
		expect(functions.filter((f) => f.arguments > MOST_ARGUMENTS)).toEqual([]);
	});
	it('has no crowded room of use cases', () => {
		const rooms = shapeOf('src/lib/server/service').folders;
		expect(rooms.length).toBeGreaterThan(8);
		expect(rooms.filter((r) => r.count > MOST_IN_A_ROOM)).toEqual([]);
	});
});
