import { describe, expect, it } from 'vitest';
import { instant } from '../../time/index.ts';
import { historyOf } from './history.ts';

const start = instant(1_700_000_000_000);
const NOTHING = { balance: [], volumes: [] };

describe('the history of a parameter', () => {
	const dated = (result: object) => ({ runId: 'r', at: start, methodCode: 'x', result }) as never;
	it('stands on all its results, bounds too, each with its kit', () => {
		const value = {
			kind: 'value',
			parameter: 'alkalinity',
			unit: 'dkh',
			value: 8,
			uRandom: 0.2,
			uCommon: 0.1
		};
		const bound = { kind: 'bound', parameter: 'alkalinity', unit: 'dkh', sense: '<', limit: 0.2 };
		const { observations } = historyOf(
			'alkalinity',
			[dated(value), dated({ ...value, parameter: 'calcium', value: 430 }), dated(bound)],
			NOTHING,
			start
		);
		expect(observations).toEqual([
			{ id: 'r', at: start, kit: 'x', result: value },
			{ id: 'r', at: start, kit: 'x', result: bound }
		]);
	});
	it('has no doses where no volume is known', () => {
		const dose = {
			kind: 'dose',
			at: start,
			amountMl: 5,
			strength: [{ parameter: 'alkalinity', risePerMlIn100L: 0.14 }]
		} as const;
		expect(historyOf('alkalinity', [], NOTHING, start).inputs).toEqual([]);
		expect(
			historyOf('alkalinity', [], { balance: [dose], volumes: [{ fromAt: start, litres: 540 }] }, start)
				.inputs
		).toHaveLength(1);
	});
});
