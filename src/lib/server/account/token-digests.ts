import type { DBAdapter } from 'better-auth';
import { digestOf } from '../digest.ts';

const SESSION = 'session';
const TOKEN = 'token';

interface Clause {
	readonly field: string;
	readonly value: unknown;
}

type Asked = { readonly model: string; readonly where?: readonly Clause[] };

function digested<A extends Asked>(asked: A): A {
	if (asked.model !== SESSION || !asked.where) return asked;
	const of = (value: unknown) => (typeof value === 'string' ? digestOf(value) : value);
	const where = asked.where.map((clause) =>
		clause.field === TOKEN
			? { ...clause, value: Array.isArray(clause.value) ? clause.value.map(of) : of(clause.value) }
			: clause
	);
	return { ...asked, where };
}

/** The tokens that were asked for, by their digests: whoever knows one is given it back. */
function knownTokens({ model, where = [] }: Asked): ReadonlyMap<string, string> {
	const clauses = model === SESSION ? where.filter((c) => c.field === TOKEN) : [];
	const tokens = clauses.flatMap(({ value }) => (Array.isArray(value) ? (value as unknown[]) : [value]));
	return new Map(tokens.filter((t) => typeof t === 'string').map((token) => [digestOf(token), token]));
}

function withTokens<R>(row: R, known: ReadonlyMap<string, string>): R {
	const own = row as { token?: unknown } | null;
	const token = typeof own?.token === 'string' ? known.get(own.token) : undefined;
	return token === undefined ? row : { ...row, token };
}

/**
 * The records of accounts with only digests (SHA-256) of session tokens in them, where the library would keep the tokens
 * themselves: a copy of the database opens nothing. A token is random and long, so that its digest needs no salt.
 */
export function keepingDigests(adapter: DBAdapter): DBAdapter {
	return {
		...adapter,
		...within(adapter),
		// Inside of a transaction the library is handed another set of the same doors.
		transaction: (work) => adapter.transaction((tx) => work({ ...tx, ...within(tx) }))
	};
}

type Doors = Omit<DBAdapter, 'transaction' | 'id' | 'options' | 'createSchema'>;

function within(adapter: Doors): Doors {
	return {
		create: async (asked) => {
			const token = (asked.data as { token?: string }).token;
			if (asked.model !== SESSION || typeof token !== 'string') return adapter.create(asked);
			const row = await adapter.create({ ...asked, data: { ...asked.data, token: digestOf(token) } });
			return { ...row, token } as never;
		},
		findOne: async (asked) => withTokens(await adapter.findOne(digested(asked)), knownTokens(asked)) as never,
		findMany: async (asked) => {
			const rows = await adapter.findMany(digested(asked as Asked) as typeof asked);
			const known = knownTokens(asked as Asked);
			return rows.map((row) => withTokens(row, known)) as never;
		},
		update: async (asked) => withTokens(await adapter.update(digested(asked)), knownTokens(asked)) as never,
		updateMany: (asked) => adapter.updateMany(digested(asked)),
		delete: (asked) => adapter.delete(digested(asked)),
		deleteMany: (asked) => adapter.deleteMany(digested(asked)),
		count: (asked) => adapter.count(digested(asked as Asked) as typeof asked),
		consumeOne: async (asked) =>
			withTokens(await adapter.consumeOne(digested(asked)), knownTokens(asked)) as never,
		incrementOne: async (asked) =>
			withTokens(await adapter.incrementOne(digested(asked)), knownTokens(asked)) as never
	};
}
