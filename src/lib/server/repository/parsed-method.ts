import { inArray } from 'drizzle-orm';
import { methodOfStored, type Method } from '$lib/core/method';
import { methodVersion } from '../db/schema/index.ts';
import type { Reader } from './database.ts';

/** A version is never changed: by the hash of its content it is fetched and parsed once in a process. */
const PARSED = new Map<string, Method>();
/** Far more than one server's sites enter; beyond, it begins anew. */
const MOST_PARSED = 5000;

/** Methods by the hashes of their contents, of which those that are not at hand are fetched. */
export async function methodsByHash(
	db: Reader,
	hashes: Iterable<string | null>
): Promise<(hash: string) => Method> {
	const asked = new Set([...hashes].filter((hash) => hash !== null));
	const missing = [...asked].filter((hash) => !PARSED.has(hash));
	if (missing.length > 0) {
		const rows = await db
			.select({ hash: methodVersion.contentHash, definition: methodVersion.definition })
			.from(methodVersion)
			.where(inArray(methodVersion.contentHash, missing));
		if (PARSED.size + rows.length > MOST_PARSED) PARSED.clear();
		for (const { hash, definition } of rows) PARSED.set(hash, methodOfStored(definition));
	}
	const found = new Map([...asked].map((hash) => [hash, PARSED.get(hash)]));
	return (hash) => {
		const method = found.get(hash);
		if (!method) throw new Error(`no method has the content ${hash}`);
		return method;
	};
}
