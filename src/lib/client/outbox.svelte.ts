import type { Fault } from '$lib/core/result';
import type { Answer } from './api';
import type { Outgoing } from './local-store';
import { movedTimes } from './moved-times';

interface OutgoingStore {
	all(): Promise<Outgoing[]>;
	add(item: Outgoing): Promise<void>;
	remove(id: string): Promise<void>;
}
type Send = <T>(url: string, command: unknown) => Promise<Answer<T>>;

/** How often what is left is tried again while the page is open. */
export const RETRY_MS = 5000;

/**
 * What was read and the server does not have yet. It is sent in the order in which it was made, each once: every
 * command has an id of its own, and the server answers a second one as it answered the first.
 */
export class Outbox {
	/** Not on the server yet. */
	waiting = $state.raw<readonly Outgoing[]>([]);
	/** What the server did not take, with why; kept until it was seen. */
	refused = $state.raw<readonly { readonly item: Outgoing; readonly fault: Fault }[]>([]);
	#store: OutgoingStore;
	#send: Send;
	#sending: Promise<void> | null = null;
	/** What was answered to what, until whoever put it was told: several may wait at once. */
	// Nobody draws it, so nothing has to follow it.
	// eslint-disable-next-line svelte/prefer-svelte-reactivity
	#answers = new Map<string, Answer<unknown> | null>();

	constructor(store: OutgoingStore, send: Send) {
		this.#store = store;
		this.#send = send;
	}

	/** Finds what an earlier page left, and sends it. */
	async open(): Promise<void> {
		this.waiting = await this.#store.all().catch(() => []);
		await this.flush();
	}

	/**
	 * Keeps a command here and sends it, after those before it.
	 *
	 * @returns the server's answer; "away" where it stays here for now
	 */
	async put<T>(item: Outgoing): Promise<Answer<T>> {
		// Without a store it is kept by this page alone, and sent all the same.
		await this.#store.add(item).catch(() => undefined);
		this.waiting = [...this.waiting, item];
		this.#answers.set(item.id, null);
		await this.flush();
		const answer = this.#answers.get(item.id) as Answer<T> | null;
		this.#answers.delete(item.id);
		return answer ?? { kind: 'away', message: 'The server cannot be reached.' };
	}

	/** Sends what waits, in order; stops where the server is away. */
	async flush(): Promise<void> {
		while (this.#sending) await this.#sending;
		this.#sending = this.#sendAll().finally(() => (this.#sending = null));
		await this.#sending;
	}
	async #sendAll(): Promise<void> {
		for (let item = this.waiting[0]; item; item = this.waiting[0]) {
			const answer = await this.#send(item.url, item.command);
			const { id } = item;
			if (this.#answers.has(id)) this.#answers.set(id, answer);
			// Signed out is as good as away: it is sent once somebody has signed in again.
			if (answer.kind === 'away') return;
			if (answer.kind === 'refused' && answer.fault.code === 'not-signed-in') return;
			this.waiting = this.waiting.filter((w) => w.id !== id);
			// What was refused stays in the store, so that closing the browser does not lose it.
			if (answer.kind === 'refused') this.refused = [...this.refused, { item, fault: answer.fault }];
			else await this.#store.remove(id).catch(() => undefined);
		}
	}
	/** Sends something that was refused once more. */
	async tryAgain(id: string): Promise<void> {
		const again = this.refused.filter((r) => r.item.id === id).map((r) => r.item);
		this.refused = this.refused.filter((r) => r.item.id !== id);
		this.waiting = [...this.waiting, ...again];
		await this.flush();
	}
	/** Sends something that was refused for its times once more, with the error of the device's clock taken out. */
	async putRight(id: string, byMinutes: number): Promise<void> {
		const found = this.refused.find((r) => r.item.id === id);
		if (!found) return;
		const { seq: _, ...item } = found.item;
		const right = { ...item, command: movedTimes(item.command, -byMinutes * 60_000) };
		await this.#store.remove(id).catch(() => undefined);
		await this.#store.add(right).catch(() => undefined);
		this.refused = this.refused.map((r) => (r.item.id === id ? { ...r, item: right } : r));
		await this.tryAgain(id);
	}
	/** It was seen, or is put right in another way. */
	async forget(id: string): Promise<void> {
		this.refused = this.refused.filter((r) => r.item.id !== id);
		await this.#store.remove(id).catch(() => undefined);
	}
}
