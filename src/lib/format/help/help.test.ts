import { HELP_GROUPS } from './help-groups';
import { describe, expect, it } from 'vitest';
import { PARAMETER_IDS } from '$lib/core/quantity';
import { HELP, helpFor, searchHelp } from './help';

describe('the help', () => {
	it('says every thing once, in a few sentences', () => {
		expect(new Set(HELP.map((t) => t.id)).size).toBe(HELP.length);
		expect(new Set(HELP.map((t) => t.title)).size).toBe(HELP.length);
		for (const { text } of HELP) {
			expect(text.length).toBeLessThan(460);
			expect(text).toMatch(/\.$/);
			expect(text).not.toContain('!');
		}
	});
	it('is found by words in any order and any case', () => {
		expect(searchHelp('PLUNGER air').map((t) => t.id)).toEqual(['air']);
		expect(searchHelp('  ')).toEqual(HELP);
		expect(searchHelp('moonlight')).toEqual([]);
	});
	it('stands beside every parameter', () => {
		for (const parameter of PARAMETER_IDS) {
			if (parameter === 'temperature') continue;
			expect(helpFor(parameter, null).length, parameter).toBeGreaterThan(0);
		}
		expect(helpFor('nitrate', 'step').map((t) => t.id)).toContain('daylight');
	});
});

describe('the groups of the help', () => {
	it('hold every topic once', () => {
		const grouped = HELP_GROUPS.flatMap((g) => [...g.topics] as string[]);
		expect(grouped.toSorted()).toEqual(HELP.map((t) => t.id).toSorted());
	});
});
