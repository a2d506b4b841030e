import { createContext } from 'svelte';
import type { Clock } from '$lib/core/time';
import type { BenchDesk } from './BenchDesk.svelte';

/** The browser's one clock. */
export const [clockOf, setClock] = createContext<Clock>();

/** The unfinished test of the water being looked at. */
export const [benchDeskOf, setBenchDesk] = createContext<BenchDesk>();
