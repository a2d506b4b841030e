import { describe, expect, it } from 'vitest';
import { errorOf, failedOf } from './failed.ts';

const through = (fault: unknown) => errorOf(structuredClone(failedOf(fault)));

describe('a failure in a thread', () => {
	it('is of the same kind where it is told, so that a water that cannot be judged takes no other with it', () => {
		expect(through(new RangeError('empty interval'))).toBeInstanceOf(RangeError);
		expect(through(new TypeError('x'))).toBeInstanceOf(TypeError);
		expect(through('nothing')).toMatchObject({ message: 'nothing' });
	});
	it('keeps the code by which the records are known to be away, and no parameters of a query', () => {
		const away = Object.assign(new Error('connect ECONNREFUSED'), { code: 'ECONNREFUSED' });
		const told = through(new Error('Failed query: select ... params: secret', { cause: away }));
		expect(told).toMatchObject({ code: 'ECONNREFUSED', message: 'connect ECONNREFUSED' });
		expect(JSON.stringify(failedOf(told))).not.toContain('secret');
	});
});
