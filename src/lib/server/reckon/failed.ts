/** A failure as it comes out of a thread: an error of its own would lose its code on the way. */
export interface Failed {
	readonly failed: 'range' | 'type' | 'other';
	readonly message: string;
	readonly stack: string;
	/** That the records are away or busy is told by it. */
	readonly code: string | null;
}

/** @param fault whatever was thrown */
export function failedOf(fault: unknown): Failed {
	const error = fault instanceof Error ? fault : new Error(String(fault));
	// Whoever asks the records wraps what they answered; the parameters of a query stay where they are.
	const cause = error.cause instanceof Error ? error.cause : error;
	const code = (cause as { code?: unknown }).code ?? (error as { code?: unknown }).code;
	return {
		failed: error instanceof RangeError ? 'range' : error instanceof TypeError ? 'type' : 'other',
		message: cause.message,
		stack: cause.stack ?? '',
		code: typeof code === 'string' ? code : null
	};
}

/** The same as an error of the thread that asked. */
export function errorOf({ failed, message, stack, code }: Failed): Error {
	const kinds = { range: RangeError, type: TypeError, other: Error };
	const error = new kinds[failed](message);
	error.stack = stack;
	return code === null ? error : Object.assign(error, { code });
}
