import { invalidateAll } from '$app/navigation';
import { sendPhotograph, takePhotographBack } from '$lib/client/photograph';
import { faultText } from '$lib/format/faults/faults';

export type Beside = { readonly run: string } | { readonly item: string };

/** Photographs or voice notes beside a run or a thing: those that are kept, one that is sent, one that is taken back. */
export class KeptBeside {
	fault = $state('');
	sending = $state(false);
	/** Asked once more before it is taken back. */
	asked = $state('');
	/** Sent from here; the page that shows them may not have been asked again. */
	#sent = $state<readonly string[]>([]);
	#takenBack = $state<readonly string[]>([]);

	constructor(
		private readonly waterId: () => string,
		private readonly of: () => Beside,
		private readonly kept: () => readonly string[],
		private readonly newId: () => string
	) {}

	get all(): readonly string[] {
		const kept = this.kept();
		const sent = this.#sent.filter((id) => !kept.includes(id));
		return [...kept, ...sent].filter((id) => !this.#takenBack.includes(id));
	}

	async keep(file: Blob): Promise<void> {
		this.sending = true;
		this.fault = '';
		const answer = await sendPhotograph(this.waterId(), this.newId(), this.of(), file);
		if (answer.kind === 'ok') {
			this.#sent = [...this.#sent, answer.value.photographId];
			await invalidateAll();
		} else this.fault = answer.kind === 'refused' ? faultText(answer.fault) : answer.message;
		this.sending = false;
	}

	async takeBack(id: string): Promise<void> {
		this.fault = '';
		this.asked = '';
		const answer = await takePhotographBack(this.waterId(), this.newId(), id);
		if (answer.kind === 'ok') {
			this.#takenBack = [...this.#takenBack, id];
			await invalidateAll();
		} else
			this.fault =
				answer.kind === 'refused'
					? faultText(answer.fault)
					: 'The server cannot be reached. Nothing was taken back.';
	}
}
