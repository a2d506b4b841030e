import type {
	BlendReckoned,
	BlendWish,
	ChangeGiven,
	ChangeReckoned,
	ChangeWish,
	DailyGiven,
	DailyReckoned,
	DailyWish
} from '$lib/core/correction';

/** What a form asks; all of it is plain data. */
export type ReckonRequest =
	| { readonly kind: 'change'; readonly given: ChangeGiven; readonly wish: ChangeWish }
	| { readonly kind: 'daily'; readonly given: DailyGiven; readonly wish: DailyWish }
	| { readonly kind: 'blend'; readonly wish: BlendWish };

export interface ReckonAnswers {
	readonly change: ChangeReckoned;
	readonly daily: DailyReckoned;
	readonly blend: BlendReckoned;
}

export type ReckonMessage =
	| { readonly turn: number; readonly kind: 'done'; readonly answer: ReckonAnswers[ReckonRequest['kind']] }
	| { readonly turn: number; readonly kind: 'failed'; readonly message: string };
