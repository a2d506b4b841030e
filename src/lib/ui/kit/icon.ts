import type CheckOutline from 'flowbite-svelte-icons/CheckOutline.svelte';

/** An icon of the set: drawn in the colour of its word, never read aloud. */
export type Icon = typeof CheckOutline;
