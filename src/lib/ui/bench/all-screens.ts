/** The screens of a test in one piece: they are fetched together, and kept together for a bench without a network. */
export { default as FinishView } from './finish/FinishView.svelte';
export { default as LayOutView } from './layout/LayOutView.svelte';
export { default as RunBench } from './run/RunBench.svelte';
export { default as SessionFrame } from './run/SessionFrame.svelte';
export { default as SavedNotice } from './SavedNotice.svelte';
