import type { BenchAnswer } from '$lib/contract/bench';
import type { Clock } from '$lib/core/time';
import { watersIn, type BenchDraft, type BenchSession, type KeptWater } from './bench-session';

interface Store {
	read<T>(key: string): Promise<T | null>;
	write(key: string, value: unknown): Promise<void>;
	remove(key: string): Promise<void>;
}

const SESSION = 'session';
const waterKey = (id: string) => `water:${id}`;

/** The session and what is known of its waters, and the browser's own store that keeps them. */
export class BenchKeeper {
	session = $state.raw<BenchSession | null>(null);
	/** What is known of the waters that are tested, by id. */
	waters = $state.raw<Readonly<Record<string, KeptWater>>>({});
	/** Why the session cannot be kept, when the browser has no room or no store. */
	fault = $state<string | null>(null);
	#clock: Clock;
	#store: Store;

	constructor(clock: Clock, store: Store) {
		this.#clock = clock;
		this.#store = store;
	}

	/** Finds what this browser kept. */
	async open(): Promise<void> {
		try {
			const session = await this.#store.read<BenchSession>(SESSION);
			if (session) {
				const ids = watersIn(session);
				const kept = await Promise.all(ids.map((id) => this.#store.read<KeptWater>(waterKey(id))));
				this.waters = Object.fromEntries(ids.flatMap((id, i) => (kept[i] ? [[id, kept[i]]] : [])));
			}
			this.session = session;
		} catch {
			this.fault =
				'This browser keeps nothing for Tevrik. An unfinished test is lost when the page is closed.';
		}
	}

	/** Keeps what is known of a water for the time without a network. */
	async storeWater(waterId: string, bench: BenchAnswer, timeZone: string): Promise<void> {
		await this.#store.write(waterKey(waterId), { bench, timeZone }).catch(() => undefined);
	}
	/** The same, of a water that the session is about: its tests are judged by it wherever one looks. */
	async keepWater(waterId: string, bench: BenchAnswer, timeZone: string): Promise<void> {
		this.waters = { ...this.waters, [waterId]: { bench, timeZone } };
		await this.storeWater(waterId, bench, timeZone);
	}

	keep(session: BenchSession): void {
		this.session = { ...session, seenAt: this.#clock.now(), revision: session.revision + 1 };
		this.#store.write(SESSION, this.session).catch(() => {
			this.fault = 'This browser has no room to keep the unfinished test. Finish it before closing the page.';
		});
	}
	keepDraft(draft: BenchDraft): void {
		if (!this.session) return;
		const tests = this.session.tests.map((t) => (t.runId === draft.runId ? draft : t));
		this.keep({ ...this.session, tests });
	}
	async clear(): Promise<void> {
		this.session = null;
		await this.#store.remove(SESSION).catch(() => undefined);
	}
}
