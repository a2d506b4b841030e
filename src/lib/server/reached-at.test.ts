import { describe, expect, it } from 'vitest';
import { reachedAt } from './reached-at.ts';

const HOUSE = JSON.stringify({ addresses: ['https://kitchen.local:4281/', 'https://192.168.0.20:4281/'] });
const at = (address: string, house?: string) => reachedAt(new URL(address), house);

describe('where somebody else reaches what one gives them', () => {
	it('is where one is oneself, by any name that is not the machine’s own', () => {
		const own = { origin: 'https://tevrik.example.org', who: 'anybody' };
		expect(at('https://tevrik.example.org/waters/x/people', HOUSE)).toEqual(own);
		expect(at('https://192.168.0.20:4281/x')).toMatchObject({ who: 'anybody' });
	});
	it('is the house’s address from the machine itself, a number before a name', () => {
		expect(at('http://localhost:4280/x', HOUSE)).toEqual({
			origin: 'https://192.168.0.20:4281',
			who: 'house'
		});
	});
	it('is nowhere else where only the machine itself is served', () => {
		expect(at('http://localhost:4280/x')).toEqual({ origin: 'http://localhost:4280', who: 'this-machine' });
	});
});
