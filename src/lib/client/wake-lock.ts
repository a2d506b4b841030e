/** Whether this browser can keep the screen awake at this address. */
export function canStayAwake(): boolean {
	return typeof navigator !== 'undefined' && 'wakeLock' in navigator && isSecureContext;
}

/**
 * Keeps the screen awake until the returned function is called. The lock is lost whenever the page is hidden, so it is
 * taken again when it comes back.
 */
export function stayAwake(): () => void {
	if (!canStayAwake()) return () => undefined;
	let lock: WakeLockSentinel | null = null;
	let ended = false;
	const take = () => {
		if (ended || document.visibilityState !== 'visible') return;
		navigator.wakeLock.request('screen').then(
			(taken) => {
				if (ended) void taken.release();
				else lock = taken;
			},
			// Refused when the battery is low, say: the bench works without it.
			() => undefined
		);
	};
	take();
	document.addEventListener('visibilitychange', take);
	return () => {
		ended = true;
		document.removeEventListener('visibilitychange', take);
		void lock?.release();
	};
}
