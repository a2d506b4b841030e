import { openDB, type IDBPDatabase } from 'idb';

const NAME = 'tevrik';
const STORE = 'bench-drafts';

let opened: Promise<IDBPDatabase> | null = null;

function database(): Promise<IDBPDatabase> {
	opened ??= openDB(NAME, 1, { upgrade: (db) => void db.createObjectStore(STORE) });
	return opened;
}

/** Unfinished tests, one per water, kept in this browser until they are saved or given up. */
export const draftStore = {
	async read<T>(waterId: string): Promise<T | null> {
		return ((await (await database()).get(STORE, waterId)) as T | undefined) ?? null;
	},
	async write(waterId: string, draft: unknown): Promise<void> {
		await (await database()).put(STORE, draft, waterId);
	},
	async remove(waterId: string): Promise<void> {
		await (await database()).delete(STORE, waterId);
	}
};
