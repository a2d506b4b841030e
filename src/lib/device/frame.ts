import { fail, ok, type Result } from '$lib/core/result';

/** What a device says in one line. */
export type Frame =
	| { readonly kind: 'done' }
	| { readonly kind: 'value'; readonly values: readonly number[] }
	| { readonly kind: 'over' }
	| { readonly kind: 'dirty' };

/** Of all bytes of the line before it, modulo 256: noise on the way must not become a number. */
function checksum(text: string): string {
	let sum = 0;
	for (let i = 0; i < text.length; i++) sum = (sum + text.charCodeAt(i)) % 256;
	return sum.toString(16).padStart(2, '0').toUpperCase();
}

/** "V 142.0*5B": kind, numbers, and a checksum after the star. */
export function writeFrame(frame: Frame): string {
	const body =
		frame.kind === 'value'
			? `V ${frame.values.join(' ')}`
			: { done: 'OK', over: 'OVER', dirty: 'DARK' }[frame.kind];
	return `${body}*${checksum(body)}`;
}

/** @returns fails with `device-nonsense` on anything that was not sent so */
export function readFrame(line: string): Result<Frame> {
	const [, body, sum] = /^([A-Z]+(?: -?\d+(?:\.\d+)?)*)\*([0-9A-F]{2})$/.exec(line) ?? [];
	if (body === undefined || checksum(body) !== sum) return fail('device-nonsense');
	if (body === 'OK') return ok({ kind: 'done' });
	if (body === 'OVER') return ok({ kind: 'over' });
	if (body === 'DARK') return ok({ kind: 'dirty' });
	const [kind, ...numbers] = body.split(' ');
	const values = numbers.map(Number);
	return kind === 'V' && values.length > 0 && values.every(Number.isFinite)
		? ok({ kind: 'value', values })
		: fail('device-nonsense');
}
