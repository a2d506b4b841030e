import { describe, expect, it } from 'vitest';
import { granted, may, PERMISSIONS, ROLES } from './index.ts';

const allowed = (role: (typeof ROLES)[number]) => PERMISSIONS.filter((what) => may(role, what));

describe('a role', () => {
	it('may do all that a lesser one may', () => {
		for (const [i, role] of ROLES.entries()) {
			for (const lesser of ROLES.slice(i))
				expect(allowed(role)).toEqual(expect.arrayContaining(allowed(lesser)));
		}
	});
	it('of a helper tests, writes down and carries out, and decides nothing', () => {
		expect(allowed('helper')).toEqual(['test', 'record', 'carry-out']);
	});
	it('of a reader only looks; people are the owner’s alone', () => {
		expect(allowed('reader')).toEqual([]);
		expect(ROLES.filter((role) => may(role, 'people'))).toEqual(['owner']);
	});
});

describe('what is granted', () => {
	it('is the same right, marked, or a fault that says what and to whom', () => {
		const scope = { role: 'helper', siteId: 'a' } as const;
		expect(granted(scope, 'test')).toEqual({ ok: true, value: scope });
		expect(granted(scope, 'decide')).toMatchObject({
			fault: { code: 'not-allowed', details: { what: 'decide', role: 'helper' } }
		});
	});
});
