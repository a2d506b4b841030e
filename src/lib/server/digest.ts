import { createHash } from 'node:crypto';

/** SHA-256 as hexadecimal text. A token is random and long, so that its digest needs no salt. */
export function digestOf(content: string | Uint8Array): string {
	return createHash('sha256').update(content).digest('hex');
}
