import { describe, expect, it } from 'vitest';
import { planRound, type RoundKit, type RoundTank } from './index.ts';

const kit = (id: string, siteId: string, methodCode: string, testsLeft: number | null = null): RoundKit => ({
	...{ id, siteId, methodCode, testsLeft },
	name: methodCode,
	lotCode: id.toUpperCase(),
	site: siteId
});
const tank = (id: string, siteId: string, over: Partial<RoundTank> = {}): RoundTank => ({
	...{ id, siteId, name: id },
	due: ['alkalinity'],
	methods: [
		{ code: 'drops', name: 'Drops', parameter: 'alkalinity', lastUsedAt: 20 },
		{ code: 'syringe', name: 'Syringe', parameter: 'alkalinity', lastUsedAt: 30 }
	],
	...over
});

describe('a round', () => {
	it('tests by the method used last, by the kit that stands there', () => {
		const { stops, needs } = planRound(
			[tank('reef', 'home')],
			[kit('a', 'school', 'syringe'), kit('b', 'home', 'syringe'), kit('c', 'home', 'drops')]
		);
		expect(stops[0]!.tests[0]).toMatchObject({ method: 'Syringe', kit: { id: 'b' }, isThere: true });
		expect(needs.map((n) => [n.kit.id, n.comesAlong])).toEqual([['b', false]]);
	});
	it('takes a kit along from another shelf, rather than a method without one', () => {
		const { stops, needs } = planRound([tank('reef', 'school')], [kit('c', 'home', 'drops')]);
		expect(stops[0]!.tests[0]).toMatchObject({ method: 'Drops', kit: { id: 'c' }, isThere: false });
		expect(needs[0]).toMatchObject({ comesAlong: true, tanks: ['reef'] });
	});
	it('says that a kit is short where more tests are wanted than are left in it', () => {
		const two = [tank('reef', 'home'), tank('nano', 'home')];
		expect(planRound(two, [kit('b', 'home', 'syringe', 1)]).needs[0]).toMatchObject({ isShort: true });
		expect(planRound(two, [kit('b', 'home', 'syringe', 2)]).needs[0]).toMatchObject({ isShort: false });
	});
	it('says where no kit is, and where no method is', () => {
		const { stops, needs } = planRound([tank('reef', 'home', { due: ['alkalinity', 'potassium'] })], []);
		expect(stops[0]!.tests).toEqual([
			{ parameter: 'alkalinity', method: 'Syringe', kit: null, isThere: false },
			{ parameter: 'potassium', method: null, kit: null, isThere: false }
		]);
		expect(needs).toEqual([]);
	});
	it('stops at a tank at which nothing is due all the same', () => {
		expect(planRound([tank('reef', 'home', { due: [] })], []).stops).toEqual([{ id: 'reef', tests: [] }]);
	});
});
