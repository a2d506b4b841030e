import type { Fault } from './fault.ts';

export type Result<T, F = Fault> =
	{ readonly ok: true; readonly value: T } | { readonly ok: false; readonly fault: F };

export function ok<T>(value: T): { readonly ok: true; readonly value: T } {
	return { ok: true, value };
}

export function fail(
	code: Fault['code'],
	field?: string,
	details?: Fault['details']
): { readonly ok: false; readonly fault: Fault } {
	return {
		ok: false,
		fault: { code, ...(field === undefined ? {} : { field }), ...(details === undefined ? {} : { details }) }
	};
}
