import { describe, expect, it } from 'vitest';
import { allDoors } from './routes.ts';
import { SPECS } from './specs.ts';

describe('every door of the application', () => {
	it('is tried with nonsense: a new one has to be named with what is sensible there', () => {
		expect(Object.keys(SPECS).sort()).toEqual(
			allDoors()
				.map((d) => d.name)
				.sort()
		);
	});
});
