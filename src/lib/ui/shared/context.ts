import { createContext } from 'svelte';
import type { Clock } from '$lib/core/time';
import type { Outbox } from '$lib/client/outbox.svelte';
import type { BenchDesk } from './BenchDesk.svelte';

/** The browser's one clock. */
export const [clockOf, setClock] = createContext<Clock>();

/** The tests at the bench. */
export const [benchDeskOf, setBenchDesk] = createContext<BenchDesk>();

/** What the server does not have yet. */
export const [outboxOf, setOutbox] = createContext<Outbox>();
