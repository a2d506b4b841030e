/** How long a text may be, in characters: what a schema checks and what a field takes are one number. */
export const LONGEST = {
	note: 2000,
	/** Why a reading is corrected, or a limit raised. */
	reason: 500,
	/** Where a value, a band or a report comes from; how a sample was kept. */
	source: 200,
	/** What somebody calls a thing on the shelf, a batch or a supplement. */
	thing: 120,
	lotCode: 60,
	profile: 80
} as const;

/** Length is what makes a password hard to guess (NIST SP 800-63B); no kinds of letters are asked for. */
export const SHORTEST_PASSWORD = 10;

export const LONGEST_PASSWORD = 128;

export const LONGEST_NAME = 80;

export const PIN_LENGTH = { least: 4, most: 8 } as const;

/** A photograph is made small before it is sent: this is enough to read a scale by. */
export const LONGEST_SIDE_PX = 1600;

/** For one run or one thing; more would hide the one that matters. */
export const MOST_PHOTOGRAPHS = 6;

/** A spoken note: plain samples of one channel, at a rate that speech needs; a minute of it is below what may be sent. */
export const VOICE_NOTE = { rateHz: 16_000, longestS: 60 } as const;

export const MOST_VOICE_NOTES = 6;

export const LONGEST_WATER_NAME = 80;
