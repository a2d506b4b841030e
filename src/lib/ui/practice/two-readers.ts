/** Whose turn it is at a vial that two people read on one device. */
export const TURNS = ['Whoever learns answers first', 'Now the mentor, who did not see it'] as const;
