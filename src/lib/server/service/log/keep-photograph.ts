import { MOST_PHOTOGRAPH_BYTES, type TakePhotographBack } from '$lib/contract/photograph';
import { MOST_PHOTOGRAPHS } from '$lib/contract/lengths';
import { fail, ok, type Result } from '$lib/core/result';
import { digestOf } from '../../digest.ts';
import { drawn } from '../../photograph/drawn.ts';
import { plainPicture } from '../../photograph/plain-picture.ts';
import {
	addPhotograph,
	addWithdrawal,
	photographById,
	photographsOf,
	type PhotographOf
} from '../../repository/photograph.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { shelfItemsByIds } from '../../repository/shelf.ts';
import { readingsOfRuns } from '../../repository/test.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

export interface NewPhotograph {
	readonly id: string;
	readonly of: PhotographOf;
	readonly bytes: Uint8Array;
}

/** Keeps a photograph beside a run or a thing on the shelf; it never changes what was read. */
export async function keepPhotograph(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	{ id, of, bytes }: NewPhotograph
): Promise<Result<{ readonly photographId: string }>> {
	if (bytes.length > MOST_PHOTOGRAPH_BYTES) {
		return fail('too-large', 'photograph', { most: MOST_PHOTOGRAPH_BYTES / 1e6, unit: 'MB' });
	}
	const plain = plainPicture(bytes);
	if (!plain) return fail('not-a-photograph', 'photograph');
	const picture = await drawn(plain.bytes);
	if (!picture.ok) return picture;
	const sha256 = digestOf(plain.bytes);
	return once(deps, scope, 'keep-photograph', { id, of, sha256 }, async (tx, within) => {
		const found =
			'runId' in of
				? await readingsOfRuns(tx, scope, [of.runId])
				: await shelfItemsByIds(tx, scope, [of.itemId]);
		if (found.length === 0) return fail('unknown-item', 'of');
		if ((await photographsOf(tx, scope, of)).length >= MOST_PHOTOGRAPHS) {
			return fail('too-large', 'photograph', { most: MOST_PHOTOGRAPHS, unit: 'photographs' });
		}
		await addPhotograph(tx, scope, {
			id,
			of,
			sha256,
			mediaType: plain.type,
			content: Buffer.from(plain.bytes),
			receivedAt: within.clock.now()
		});
		return ok({ photographId: id });
	});
}

/** Takes a photograph back: it is shown no more. Its bytes go when the migrating user removes what was taken back. */
export async function takePhotographBack(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	command: TakePhotographBack
): Promise<Result<{ readonly photographId: string }>> {
	return once(deps, scope, 'take-photograph-back', command, async (tx, within) => {
		const { id, photographId } = command;
		if (!(await photographById(tx, scope, photographId))) return fail('unknown-item', 'photographId');
		await addWithdrawal(tx, scope, { id, attachmentId: photographId, receivedAt: within.clock.now() });
		return ok({ photographId });
	});
}

export async function readPhotograph(deps: Deps, scope: SiteScope, id: string) {
	return photographById(deps.db, scope, id);
}
