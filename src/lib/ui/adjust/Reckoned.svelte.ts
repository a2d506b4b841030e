import { onDestroy, untrack } from 'svelte';
import { Reckoner } from '$lib/workers/reckon.client';
import type { ReckonAnswers, ReckonRequest } from '$lib/workers/reckon.protocol';

/** What is told of a form, and what it was asked: they change together, so that no answer is read beside another wish. */
export interface Told<K extends ReckonRequest['kind'], Asked> {
	readonly asked: Asked;
	readonly answer: ReckonAnswers[K];
}

/** What a form's question is answered with: first what came with the page, then what a worker reckons as one types. */
export class Reckoned<K extends ReckonRequest['kind'], Asked> {
	told = $state.raw<Told<K, Asked>>() as Told<K, Asked>;
	/** Why there is no new answer; what stood there stays. */
	trouble = $state('');
	readonly #reckoner = new Reckoner<K>();

	constructor(first: () => Told<K, Asked>) {
		this.told = untrack(first);
		onDestroy(() => this.#reckoner.end());
	}
	/** @param asked what the answer is read beside, once it is there */
	ask(request: Extract<ReckonRequest, { kind: K }>, asked: Asked): void {
		this.#reckoner.ask(
			$state.snapshot(request) as typeof request,
			(answer) => {
				this.told = { asked, answer };
				this.trouble = '';
			},
			(message) => {
				this.trouble = `This could not be reckoned just now (${message}). What stands here is from before. Reload the page to try again.`;
			}
		);
	}
}
