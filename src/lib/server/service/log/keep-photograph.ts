import { MOST_PHOTOGRAPH_BYTES, type TakePhotographBack } from '$lib/contract/photograph';
import { MOST_PHOTOGRAPHS, MOST_VOICE_NOTES } from '$lib/contract/lengths';
import { fail, ok, type Result } from '$lib/core/result';
import { digestOf } from '../../digest.ts';
import { drawn } from '../../photograph/drawn.ts';
import { plainPicture } from '../../photograph/plain-picture.ts';
import { isSound, plainSound } from '../../photograph/plain-sound.ts';
import {
	addPhotograph,
	addWithdrawal,
	photographById,
	photographsOf,
	SOUND_TYPE,
	type AttachmentForm,
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

interface Plain {
	readonly form: AttachmentForm;
	readonly mediaType: string;
	readonly content: Uint8Array;
}

/** What is kept of a file: the picture or the sound, and nothing else that it holds. */
async function plainOf(bytes: Uint8Array): Promise<Result<Plain>> {
	if (isSound(bytes)) {
		const sound = plainSound(bytes);
		return sound.ok ? ok({ form: 'sound', mediaType: SOUND_TYPE, content: sound.value }) : sound;
	}
	const plain = plainPicture(bytes);
	if (!plain) return fail('not-a-photograph', 'photograph');
	const picture = await drawn(plain.bytes);
	return picture.ok ? ok({ form: 'picture', mediaType: plain.type, content: plain.bytes }) : picture;
}

/** Keeps a photograph beside a run or a thing on the shelf, or a voice note beside a run; it never changes what was read. */
export async function keepPhotograph(
	deps: PooledDeps,
	scope: ScopeFor<'test'>,
	{ id, of, bytes }: NewPhotograph
): Promise<Result<{ readonly photographId: string }>> {
	if (bytes.length > MOST_PHOTOGRAPH_BYTES) {
		return fail('too-large', 'photograph', { most: MOST_PHOTOGRAPH_BYTES / 1e6, unit: 'MB' });
	}
	const plain = await plainOf(bytes);
	if (!plain.ok) return plain;
	const { form, mediaType, content } = plain.value;
	if (form === 'sound' && 'itemId' in of) return fail('unknown-item', 'of');
	const sha256 = digestOf(content);
	return once(deps, scope, 'keep-photograph', { id, of, sha256 }, async (tx, within) => {
		const found =
			'runId' in of
				? await readingsOfRuns(tx, scope, [of.runId])
				: await shelfItemsByIds(tx, scope, [of.itemId]);
		if (found.length === 0) return fail('unknown-item', 'of');
		const [most, unit] =
			form === 'sound' ? [MOST_VOICE_NOTES, 'voice notes'] : [MOST_PHOTOGRAPHS, 'photographs'];
		if ((await photographsOf(tx, scope, of, form)).length >= most) {
			return fail('too-large', 'photograph', { most, unit });
		}
		await addPhotograph(tx, scope, {
			id,
			of,
			sha256,
			mediaType,
			content: Buffer.from(content),
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
