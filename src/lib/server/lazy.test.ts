import { describe, expect, it } from 'vitest';
import { once } from './lazy';

describe('asking once', () => {
	it('gives later callers the first one’s answer, key by key', async () => {
		let asked = 0;
		const ask = once((key) => {
			asked++;
			return Promise.resolve(`${key}${asked}`);
		});
		const [a, again] = await Promise.all([ask('a'), ask('a')]);
		expect([a, again, await ask('b'), await ask('a')]).toEqual(['a1', 'a1', 'b2', 'a1']);
		expect(asked).toBe(2);
	});
	it('shares a failure too', async () => {
		const ask = once(() => Promise.reject(new Error('away')));
		await expect(ask('a')).rejects.toThrow('away');
		await expect(ask('a')).rejects.toThrow('away');
	});
});
