import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { daily } from './daily.ts';

describe('what is done each day', () => {
	beforeEach(() => void vi.useFakeTimers());
	afterEach(() => void vi.useRealTimers());
	it('is done at once and each day, also after a day on which it failed, until it is ended', async () => {
		const told: string[] = [];
		let times = 0;
		const end = daily(
			() => (++times === 1 ? Promise.reject(new Error('away')) : Promise.resolve()),
			(fault) => told.push(fault.message)
		);
		await vi.advanceTimersByTimeAsync(2 * 86_400_000);
		expect([times, told]).toEqual([3, ['away']]);
		end();
		await vi.advanceTimersByTimeAsync(5 * 86_400_000);
		expect(times).toBe(3);
	});
});
