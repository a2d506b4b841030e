import { describe, expect, it } from 'vitest';
import type { Answer } from './api';
import type { Outgoing } from './local-store';
import { Outbox } from './outbox.svelte';

function desk() {
	const kept: Outgoing[] = [];
	const sent: string[] = [];
	let away = false;
	let out = false;
	const refuse = new Set<string>();
	const store = {
		all: () => Promise.resolve([...kept]),
		add: (item: Outgoing) => Promise.resolve(void kept.push(item)),
		remove: (id: string) =>
			Promise.resolve(
				void kept.splice(
					kept.findIndex((k) => k.id === id),
					1
				)
			)
	};
	const send = <T>(_: string, command: unknown): Promise<Answer<T>> => {
		const id = command as string;
		if (away) return Promise.resolve({ kind: 'away', message: '' });
		if (out) return Promise.resolve({ kind: 'refused', fault: { code: 'not-signed-in' } });
		if (refuse.has(id)) return Promise.resolve({ kind: 'refused', fault: { code: 'beyond-syringe' } });
		sent.push(id);
		return Promise.resolve({ kind: 'ok', value: id as T });
	};
	return {
		kept,
		sent,
		store,
		send,
		refuse,
		away: (is: boolean) => (away = is),
		signedOut: (is: boolean) => (out = is),
		outbox: new Outbox(store, send)
	};
}
const item = (id: string): Outgoing => ({ id, url: '/x', command: id, label: id });

describe('what the server does not have yet', () => {
	it('is sent at once where the server is there', async () => {
		const { outbox, sent, kept } = desk();
		expect(await outbox.put(item('a'))).toEqual({ kind: 'ok', value: 'a' });
		expect([sent, kept, outbox.waiting]).toEqual([['a'], [], []]);
	});
	it('stays here in its order while the server is away, and goes once when it is back', async () => {
		const { outbox, sent, kept, away } = desk();
		away(true);
		for (const id of ['a', 'b', 'c']) expect(await outbox.put(item(id))).toMatchObject({ kind: 'away' });
		expect([kept.length, outbox.waiting.length, sent]).toEqual([3, 3, []]);
		away(false);
		await Promise.all([outbox.flush(), outbox.flush(), outbox.flush()]);
		expect([sent, kept, outbox.waiting]).toEqual([['a', 'b', 'c'], [], []]);
	});
	it('answers each of two that are put at once with its own answer', async () => {
		const { outbox, refuse } = desk();
		refuse.add('b');
		const [a, b, c] = await Promise.all(['a', 'b', 'c'].map((id) => outbox.put(item(id))));
		expect([a, c]).toEqual([
			{ kind: 'ok', value: 'a' },
			{ kind: 'ok', value: 'c' }
		]);
		expect(b).toMatchObject({ kind: 'refused', fault: { code: 'beyond-syringe' } });
	});
	it('is sent again with its times put right where the clock of the device was ahead', async () => {
		const ahead = 11 * 60_000;
		const kept: Outgoing[] = [];
		const sent: unknown[] = [];
		const store = {
			all: () => Promise.resolve([...kept]),
			add: (i: Outgoing) => Promise.resolve(void kept.push(i)),
			remove: (id: string) =>
				Promise.resolve(void kept.splice(0, kept.length, ...kept.filter((k) => k.id !== id)))
		};
		const send = <T>(_: string, command: unknown): Promise<Answer<T>> => {
			sent.push(command);
			const { finishedAt } = command as { finishedAt: number };
			return Promise.resolve(
				finishedAt > 0
					? { kind: 'refused', fault: { code: 'in-the-future', details: { minutes: 11 } } }
					: { kind: 'ok', value: undefined as T }
			);
		};
		const outbox = new Outbox(store, send);
		const command = {
			drawnAt: ahead - 2,
			finishedAt: ahead,
			dueAt: 5,
			reading: { form: 'step', at: { kind: 'on', index: 3 } },
			stepLog: [{ at: ahead - 1, kind: 'step-done' }]
		};
		await outbox.put({ id: 'a', url: '/x', label: 'a', command });
		expect(outbox.refused).toHaveLength(1);
		await outbox.putRight('a', 11);
		expect([outbox.refused, outbox.waiting, kept]).toEqual([[], [], []]);
		expect(sent.at(-1)).toEqual({
			...command,
			drawnAt: -2,
			finishedAt: 0,
			stepLog: [{ at: -1, kind: 'step-done' }]
		});
	});
	it('is found again by the next page', async () => {
		const { outbox, store, send, away, sent } = desk();
		away(true);
		await outbox.put(item('a'));
		away(false);
		const later = new Outbox(store, send);
		await later.open();
		expect([sent, later.waiting]).toEqual([['a'], []]);
	});
	it('does not stop at what is refused, and loses nothing of it until it is thrown away', async () => {
		const { outbox, sent, refuse, kept, store, send } = desk();
		refuse.add('bad');
		expect(await outbox.put(item('bad'))).toMatchObject({ kind: 'refused' });
		await outbox.put(item('good'));
		expect(sent).toEqual(['good']);
		expect(outbox.refused.map((r) => r.item.id)).toEqual(['bad']);
		// Closed and opened again it is tried once more, and still here.
		const later = new Outbox(store, send);
		await later.open();
		expect([later.refused.length, kept.length]).toEqual([1, 1]);
		refuse.clear();
		await later.tryAgain('bad');
		expect([sent, later.refused, kept]).toEqual([['good', 'bad'], [], []]);
		refuse.add('worse');
		await outbox.put(item('worse'));
		await outbox.forget('worse');
		expect([outbox.refused.map((r) => r.item.id), kept]).toEqual([['bad'], []]);
	});
	it('waits for somebody to sign in again', async () => {
		const { outbox, sent, kept, signedOut } = desk();
		signedOut(true);
		await outbox.put(item('a'));
		expect([outbox.waiting.length, kept.length, outbox.refused]).toEqual([1, 1, []]);
		signedOut(false);
		await outbox.flush();
		expect([sent, outbox.waiting]).toEqual([['a'], []]);
	});
});
