import { invalidate } from '$app/navigation';
import type { Outbox } from '$lib/client/outbox.svelte';
import type { SavePractice } from '$lib/contract/practice';
import type { Trial } from '$lib/core/practice';
import type { Clock } from '$lib/core/time';

/** What pages of practice hang on, so that they are asked anew once something was answered. */
export const PRACTICE = 'tevrik:practice';

/** Keeps each answer at once: on this device first, then on the server. */
export class TrialSender {
	readonly #around: { readonly outbox: Outbox; readonly clock: Clock; readonly newId: () => string };
	readonly #waterId: string;

	constructor(
		waterId: string,
		around: { readonly outbox: Outbox; readonly clock: Clock; readonly newId: () => string }
	) {
		this.#waterId = waterId;
		this.#around = around;
	}

	async keep(trial: Trial): Promise<void> {
		const { outbox, clock, newId } = this.#around;
		const id = newId();
		const command = {
			id,
			waterId: this.#waterId,
			trials: [{ answeredAt: clock.now(), trial }]
		} satisfies SavePractice;
		const answer = await outbox.put({
			id,
			url: `/api/waters/${this.#waterId}/practice`,
			command,
			label: 'Practice'
		});
		if (answer.kind === 'ok') await invalidate(PRACTICE);
	}
}
