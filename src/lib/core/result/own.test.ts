import { describe, expect, it } from 'vitest';
import { ownIn } from './own.ts';

describe('a word looked up in a table', () => {
	it('finds what the table says, and nothing that every object has', () => {
		expect(ownIn({ ml: 'millilitre' }, 'ml')).toBe('millilitre');
		for (const word of ['toString', 'constructor', 'hasOwnProperty', '__proto__', 'l', '']) {
			expect(ownIn({ ml: 'millilitre' }, word)).toBeUndefined();
		}
	});
});
