import { onDestroy, untrack } from 'svelte';
import { Reckoner } from '$lib/workers/reckon.client';
import type { ReckonAnswers, ReckonRequest } from '$lib/workers/reckon.protocol';

/** What a form's question is answered with: first what came with the page, then what a worker reckons as one types. */
export class Reckoned<K extends ReckonRequest['kind']> {
	answer = $state.raw<ReckonAnswers[K]>() as ReckonAnswers[K];
	/** Why there is no new answer; what stood there stays. */
	trouble = $state('');
	readonly #reckoner = new Reckoner<K>();

	constructor(first: () => ReckonAnswers[K]) {
		this.answer = untrack(first);
		onDestroy(() => this.#reckoner.end());
	}
	ask(request: Extract<ReckonRequest, { kind: K }>): void {
		this.#reckoner.ask(
			$state.snapshot(request) as typeof request,
			(answer) => {
				this.answer = answer;
				this.trouble = '';
			},
			(message) => {
				this.trouble = `This could not be reckoned just now (${message}). What stands here is from before. Reload the page to try again.`;
			}
		);
	}
}
