import type { Random } from '../../src/lib/core/numeric/index.ts';

export type Chance = Random;

export const pick = <T>(chance: Chance, from: readonly T[]): T => from[Math.floor(chance() * from.length)]!;

const LONG = 'x'.repeat(20_000);

/** What people, programs and attackers put into fields. */
export const TEXTS: readonly string[] = [
	'',
	' ',
	'0',
	'-1',
	'1,5',
	'1,025',
	'NaN',
	'Infinity',
	'-Infinity',
	'1e308',
	'1e-300',
	'1e6',
	'999999999999999999999',
	'0x10',
	'½',
	'٣',
	'null',
	'UNDEFINED',
	'true',
	'[]',
	'{}',
	'2026-02-30T10:00',
	'2026-13-01T00:00',
	'2099-01-01T00:00',
	'1066-10-14T09:00',
	'30 February',
	'yesterday',
	'__proto__',
	'constructor',
	'toString',
	'<script>alert(1)</script>',
	"'; drop table result; --",
	'=1+1',
	'../../../etc/passwd',
	'%00',
	'a\u0000b',
	'\u202Eevil',
	'\u2028',
	'👩‍🔬',
	'e\u0301'.repeat(50),
	'//evil.example',
	'/\t/evil.example',
	'/\n/evil.example',
	'\\evil',
	'value',
	'<',
	'>',
	'≥',
	'dose',
	'calcium',
	'ph',
	'full',
	'01a209a2-0000-7000-8000-000000000000',
	'01a209a2-0000-4000-8000-000000000000',
	LONG
];

/** What stands where a number, a word or a list should. */
export const VALUES: readonly unknown[] = [
	null,
	true,
	0,
	-1,
	1,
	0.5,
	80,
	9999,
	1e6,
	1e308,
	-1e308,
	1e-300,
	-0,
	4_102_444_800_000,
	4_070_908_800_000,
	946_684_800_000,
	'',
	'x',
	'\ud800',
	'a\udfffb',
	'__proto__',
	[],
	[[]],
	{},
	{ toString: 1 },
	{ kind: { kind: 'x' } },
	LONG,
	...TEXTS.slice(0, 12)
];

/** A number near one that stood there: what a slip of a hand makes of it. */
export function slipped(chance: Chance, value: number): number {
	return pick(chance, [
		value * 10,
		value * 100,
		value / 10,
		value / 1000,
		-value,
		value + 1e9,
		value * 1.0001,
		0
	]);
}

/** The paths of all parts of a value. */
function pathsOf(value: unknown, path: readonly (string | number)[] = []): (readonly (string | number)[])[] {
	if (value === null || typeof value !== 'object') return [path];
	const inner = Array.isArray(value)
		? value.flatMap((v, i) => pathsOf(v, [...path, i]))
		: Object.entries(value).flatMap(([k, v]) => pathsOf(v, [...path, k]));
	return path.length > 0 ? [path, ...inner] : inner;
}

/** A copy with one to three of its parts spoilt. */
export function spoilt(chance: Chance, command: unknown): unknown {
	let copy = structuredClone(command);
	for (let n = 1 + Math.floor(chance() * 3); n > 0; n--) {
		const path = pick(chance, pathsOf(copy));
		if (!path || path.length === 0) return pick(chance, VALUES);
		let at = copy as Record<string | number, unknown>;
		for (const part of path.slice(0, -1)) at = at[part] as Record<string | number, unknown>;
		const key = path.at(-1)!;
		const before = at[key];
		const how = chance();
		if (how < 0.1) delete at[key];
		else if (how < 0.45 && typeof before === 'number') at[key] = slipped(chance, before);
		else if (how < 0.5 && !Array.isArray(at))
			at[pick(chance, ['moon', 'constructor', 'x.y', ''])] = pick(chance, VALUES);
		else if (how < 0.55 && Array.isArray(at)) at.push(structuredClone(before));
		else at[key] = structuredClone(pick(chance, VALUES));
		copy = structuredClone(copy);
	}
	return copy;
}
