import type { ReckonAnswers, ReckonMessage, ReckonRequest } from './reckon.protocol';

/**
 * Reckons what a form asks away from the page, again and again: of questions that follow each other faster than they
 * are answered only the last one counts.
 */
export class Reckoner<K extends ReckonRequest['kind']> {
	#worker: Worker | null = null;
	#turn = 0;

	/**
	 * @param answered told of the answer to the newest question
	 * @param failed told where there is none
	 */
	ask(
		request: Extract<ReckonRequest, { kind: K }>,
		answered: (answer: ReckonAnswers[K]) => void,
		failed: (message: string) => void
	): void {
		const turn = ++this.#turn;
		this.#worker ??= new Worker(new URL('./reckon.worker.ts', import.meta.url), { type: 'module' });
		this.#worker.onmessage = ({ data }: MessageEvent<ReckonMessage>) => {
			if (data.turn !== this.#turn) return;
			if (data.kind === 'done') answered(data.answer as ReckonAnswers[K]);
			else failed(data.message);
		};
		this.#worker.onerror = (event) => failed(event.message);
		this.#worker.postMessage({ turn, request });
	}
	end(): void {
		this.#worker?.terminate();
		this.#worker = null;
	}
}
