import type FinishView from './finish/FinishView.svelte';
import type LayOutView from './layout/LayOutView.svelte';
import type RunBench from './run/RunBench.svelte';
import type SessionFrame from './run/SessionFrame.svelte';
import type SavedNotice from './SavedNotice.svelte';

/** What a test is laid out, made, and looked back on with. */
export interface Screens {
	readonly LayOutView: typeof LayOutView;
	readonly RunBench: typeof RunBench;
	readonly SessionFrame: typeof SessionFrame;
	readonly FinishView: typeof FinishView;
	readonly SavedNotice: typeof SavedNotice;
}

let fetched: Promise<Screens> | null = null;

/** @throws {Error} where they cannot be fetched; asked again, they are fetched again */
export function fetchedScreens(): Promise<Screens> {
	fetched ??= import('./all-screens').catch((error: unknown) => {
		fetched = null;
		throw error;
	});
	return fetched;
}
