import { afterEach, describe, expect, it, vi } from 'vitest';
import { instant } from '$lib/core/time';
import { send } from './api';
import { browserClock } from './clock';
import { idMaker } from './ids';

afterEach(() => vi.unstubAllGlobals());
const answering = (body: unknown, status = 200) =>
	vi.stubGlobal('fetch', () =>
		Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }))
	);

describe('sending a command', () => {
	it('gives what the server made of it', async () => {
		answering({ value: { runId: '7' } });
		expect(await send('/x', {})).toEqual({ kind: 'ok', value: { runId: '7' } });
		answering({ fault: { code: 'beyond-syringe' } }, 400);
		expect(await send('/x', {})).toEqual({ kind: 'refused', fault: { code: 'beyond-syringe' } });
	});
	it('says that the reading is kept when the server is away, fails, or answers nonsense', async () => {
		vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
		expect(await send('/x', {})).toMatchObject({
			kind: 'away',
			message: expect.stringContaining('kept on this device')
		});
		answering({ message: 'The records cannot be reached just now.' }, 500);
		expect(await send('/x', {})).toMatchObject({
			kind: 'away',
			message: expect.stringMatching(/^The records.*kept/)
		});
		answering('<html>', 502);
		expect(await send('/x', {})).toMatchObject({
			kind: 'away',
			message: expect.stringContaining('did not answer')
		});
	});
});

describe('the browser’s clock', () => {
	it('is the device’s, or in step with a set one', () => {
		expect(Math.abs(browserClock(null).now() - Date.now())).toBeLessThan(1000);
		const at = Date.parse('2026-11-23T18:20:00Z');
		expect(browserClock({ nowMs: at, rate: 0 }).now()).toBe(at);
		expect(browserClock({ nowMs: at, rate: 1 }).now() - at).toBeLessThan(1000);
	});
	it('times the ids', () => {
		const newId = idMaker({ now: () => instant(1_700_000_000_000) });
		expect(newId() < newId()).toBe(true);
	});
});
