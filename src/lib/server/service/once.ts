import { fail, ok, type Result } from '$lib/core/result';
import { digestOf } from '../digest.ts';
import { inTransaction, isDuplicate, type Transaction } from '../repository/database.ts';
import { addReceipt, receiptOf } from '../repository/receipt.ts';
import { raiseRevisions } from '../repository/revision.ts';
import type { WritingScope } from '../repository/scope.ts';
import type { PooledDeps, Touched, Within } from './deps.ts';

/** JSON with its keys in order, so that the same content always gives the same text. */
function canonical(value: unknown): string {
	if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
	if (value !== null && typeof value === 'object') {
		const entries = Object.entries(value)
			.filter(([, v]) => v !== undefined)
			.sort(([a], [b]) => (a < b ? -1 : 1));
		return `{${entries.map(([k, v]) => `${JSON.stringify(k)}:${canonical(v)}`).join(',')}}`;
	}
	return JSON.stringify(value);
}

export function contentHash(content: unknown): string {
	return digestOf(canonical(content));
}

/**
 * The one door through which anything is written. Runs work in a transaction, with all that it may stand on there, and
 * raises in the same transaction the counters of what it says it touches; of the whole site where it says nothing, so
 * that whoever forgets to say is slow and never wrong.
 */
export function transact<A>(
	deps: PooledDeps,
	siteId: string,
	work: (tx: Transaction, within: Within) => Promise<A>
): Promise<A> {
	const { db, ...others } = deps;
	return inTransaction(db, async (tx) => {
		const touched: Touched[] = [];
		const done = await work(tx, { ...others, db: tx, touch: (what) => touched.push(what) });
		await raiseRevisions(tx, idsOf(touched.length > 0 ? touched : ['site'], siteId));
		return done;
	});
}

function idsOf(touched: readonly Touched[], siteId: string): string[] {
	return touched.flatMap((what) => (what === 'nothing' ? [] : [what === 'site' ? siteId : what.waterId]));
}

/** A fault that must undo what the transaction did so far. */
class Undone extends Error {
	readonly outcome: Result<never>;
	constructor(outcome: Result<never>) {
		super('undone');
		this.outcome = outcome;
	}
}

/**
 * Carries a command out once. Sent again with the same content it gets the answer of the first time; another
 * content under the same id is refused, and so is an id that another thing has. A fault undoes everything.
 */
export async function once<C extends { readonly id: string }, A>(
	deps: PooledDeps,
	scope: WritingScope,
	command: string,
	content: C,
	act: (tx: Transaction, within: Within) => Promise<Result<A>>
): Promise<Result<A>> {
	const hash = contentHash(content);
	const stored = async () => {
		const receipt = await receiptOf(deps.db, scope, content.id);
		if (!receipt) return null;
		return receipt.contentHash === hash && receipt.command === command
			? ok(receipt.answer as A)
			: fail('id-taken', 'id');
	};
	const before = await stored();
	if (before) return before;
	try {
		return await transact(deps, scope.siteId, async (tx, within) => {
			const outcome = await act(tx, within);
			if (!outcome.ok) throw new Undone(outcome);
			await addReceipt(tx, scope, {
				id: content.id,
				command,
				contentHash: hash,
				answer: outcome.value,
				receivedAt: within.clock.now()
			});
			return outcome;
		});
	} catch (error) {
		if (error instanceof Undone) return error.outcome;
		// Somebody stored it between our look and our insert, or the id belongs to another row.
		if (isDuplicate(error)) return (await stored()) ?? fail('id-taken', 'id');
		throw error;
	}
}
