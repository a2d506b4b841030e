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
