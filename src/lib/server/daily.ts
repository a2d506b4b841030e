const DAY_MS = 86_400_000;

/**
 * Does something now and once each day. What goes wrong is told and tried again the next day; it keeps no server alive.
 *
 * @returns ends it
 */
export function daily(task: () => Promise<void>, tell: (fault: Error) => void): () => void {
	const go = () =>
		void task().catch((fault: unknown) => tell(fault instanceof Error ? fault : new Error(String(fault))));
	go();
	const timer = setInterval(go, DAY_MS);
	timer.unref();
	return () => clearInterval(timer);
}
