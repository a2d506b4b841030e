import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A command that the server does not have yet. */
export interface Outgoing {
	/** In the order in which they were made. */
	readonly seq?: number;
	/** Of the command; sent again it is carried out once. */
	readonly id: string;
	readonly url: string;
	readonly command: unknown;
	/** What it is, for people: "Calcium of the lobby reef". */
	readonly label: string;
}

interface Schema extends DBSchema {
	kept: { key: string; value: unknown };
	outbox: { key: number; value: Outgoing; indexes: { id: string } };
}

const NAME = 'tevrik-bench';
let opened: Promise<IDBPDatabase<Schema>> | null = null;

function database(): Promise<IDBPDatabase<Schema>> {
	opened ??= openDB<Schema>(NAME, 1, {
		upgrade(db) {
			db.createObjectStore('kept');
			db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true }).createIndex('id', 'id');
		}
	});
	return opened;
}

/** What this browser keeps by itself: the session at the bench and what is needed to finish it without a network. */
export const localStore = {
	async read<T>(key: string): Promise<T | null> {
		return ((await (await database()).get('kept', key)) as T | undefined) ?? null;
	},
	async write(key: string, value: unknown): Promise<void> {
		await (await database()).put('kept', value, key);
	},
	async remove(key: string): Promise<void> {
		await (await database()).delete('kept', key);
	}
};

/** What is to be sent, in its order. */
export const outgoingStore = {
	async all(): Promise<Outgoing[]> {
		return (await database()).getAll('outbox');
	},
	async add(item: Outgoing): Promise<void> {
		await (await database()).add('outbox', item);
	},
	async remove(id: string): Promise<void> {
		const db = await database();
		for (const key of await db.getAllKeysFromIndex('outbox', 'id', id)) await db.delete('outbox', key);
	}
};
