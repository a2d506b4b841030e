/**
 * Has a request worked on by a worker until it has answered. Stopping it ends the worker.
 *
 * @param answer told of every message; calls its second argument with the answer
 */
export function inWorker<Message, Answer>(
	worker: Worker,
	request: unknown,
	signal: AbortSignal,
	answer: (message: Message, done: (answer: Answer) => void) => void
): Promise<Answer> {
	return new Promise((resolve, reject) => {
		const end = (act: () => void) => {
			worker.terminate();
			act();
		};
		signal.addEventListener('abort', () => end(() => reject(new DOMException('stopped', 'AbortError'))), {
			once: true
		});
		worker.onerror = (event) => end(() => reject(new Error(event.message)));
		worker.onmessage = ({ data }: MessageEvent<Message>) =>
			answer(data, (value) => end(() => resolve(value)));
		worker.postMessage(structuredClone(request));
	});
}
