/** A form of somebody's account that was refused: what is wrong, and where. */
export interface AccountRefused {
	readonly entered: Readonly<Record<string, string>>;
	readonly field: string;
	readonly text: string;
	readonly stray: boolean;
}
