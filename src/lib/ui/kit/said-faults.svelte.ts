import { createContext, onMount } from 'svelte';

/**
 * What is said to be wrong on a page, by whoever says it beside a field or above a form: what nobody says, because its
 * field is not there just now, is said once more for the page as a whole.
 */
export class SaidFaults {
	/** Who says something, from the moment on that it is made: on the server nothing else ever happens. */
	#said: readonly (() => string | undefined)[] = [];
	/** What was read before all had come is read again. */
	#version = $state(0);

	/** Says for as long as the component is there. Called while it is made. */
	join(text: () => string | undefined): void {
		this.#said = [...this.#said, text];
		onMount(() => {
			this.#version++;
			return () => {
				this.#said = this.#said.filter((said) => said !== text);
				this.#version++;
			};
		});
	}
	has(text: string): boolean {
		void this.#version;
		return this.#said.some((said) => said()?.includes(text) ?? false);
	}
}

const [saidFaults, setSaidFaults] = createContext<SaidFaults>();
export { setSaidFaults };

/** Tells the page, where there is one that listens, what is said here. */
export function sayFault(text: () => string | undefined): void {
	let said: SaidFaults;
	try {
		said = saidFaults();
	} catch {
		// A page without such a listener has forms whose fields are all there.
		return;
	}
	said.join(text);
}
