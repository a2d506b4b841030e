import { hashPassword, verifyPassword } from 'better-auth/crypto';
import { createHmac } from 'node:crypto';
import type { SetPin } from '$lib/contract/people';
import { ok, type Result } from '$lib/core/result';
import { setPinHash } from '../../repository/place.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { PooledDeps } from '../deps.ts';

/**
 * A few digits are found from any digest of them by trying all. With a secret that stands beside the database and not in
 * it, a copy of the database says nothing of them; slow hashing (scrypt) holds up whoever has both.
 */
const peppered = (pin: string, secret: string) =>
	createHmac('sha256', secret).update(`pin ${pin}`).digest('hex');

/** Sets one's own digits, or takes them away by none. */
export async function setPin(
	{ db, clock }: PooledDeps,
	scope: SiteScope,
	{ pin }: SetPin,
	secret: string
): Promise<Result<null>> {
	const hash = pin === '' ? null : await hashPassword(peppered(pin, secret));
	await setPinHash(db, scope, hash, clock.now());
	return ok(null);
}

export const pinFits = (pin: string, hash: string, secret: string) =>
	verifyPassword({ hash, password: peppered(pin, secret) });
