export interface NamedColour {
	readonly name: string;
	/** Only to find one's place: the judgement is made against the vial in hand. */
	readonly css: string;
}
