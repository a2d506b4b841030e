/** What happens to one concentration, in days since some origin and the parameter's canonical unit. */
export type TimelineItem =
	| { readonly kind: 'value'; readonly day: number; readonly value: number; readonly u: number }
	| {
			/** Between two values; either end may be infinite. */
			readonly kind: 'interval';
			readonly day: number;
			readonly lower: number;
			readonly upper: number;
			/** Noise of the looking itself, besides the width of the interval. */
			readonly u: number;
	  }
	| {
			readonly kind: 'step';
			readonly day: number;
			readonly amount: number;
			readonly u: number;
	  }
	| {
			readonly kind: 'exchange';
			readonly day: number;
			readonly fraction: number;
			/** Null when it was not tested: then it is taken to be like the water, give or take `uNewWater`. */
			readonly newWater: number | null;
			readonly uNewWater: number;
			readonly uFraction: number;
	  }
	| { readonly kind: 'flow'; readonly day: number; readonly perDay: number }
	| {
			/** From here on less is known: the level or the rate may have jumped. */
			readonly kind: 'loosen';
			readonly day: number;
			readonly levelVariance: number;
			readonly rateVariance: number;
	  };

export const VALUE = 0;
export const INTERVAL = 1;
export const STEP = 2;
export const EXCHANGE = 3;
export const FLOW = 4;
export const LOOSEN = 5;

/** The same as columns of numbers, so that a pass over ten years allocates nothing. */
export interface Timeline {
	readonly length: number;
	readonly kind: Uint8Array;
	readonly day: Float64Array;
	/** Their meaning depends on the kind; see `timelineOf`. */
	readonly a: Float64Array;
	readonly b: Float64Array;
	readonly c: Float64Array;
	readonly d: Float64Array;
}

/** @param items in the order of time; at equal times measurements before what happens to the water */
export function timelineOf(items: readonly TimelineItem[]): Timeline {
	const n = items.length;
	const columns = {
		length: n,
		kind: new Uint8Array(n),
		day: new Float64Array(n),
		a: new Float64Array(n),
		b: new Float64Array(n),
		c: new Float64Array(n),
		d: new Float64Array(n)
	};
	items.forEach((item, i) => setItem(columns, i, item));
	return columns;
}

/** Puts an item in the place of another. */
export function setItem(timeline: Timeline, i: number, item: TimelineItem): void {
	timeline.day[i] = item.day;
	const put = (kind: number, ...[a, b = 0, c = 0, d = 0]: readonly [number, number?, number?, number?]) => {
		timeline.kind[i] = kind;
		timeline.a[i] = a;
		timeline.b[i] = b;
		timeline.c[i] = c;
		timeline.d[i] = d;
	};
	switch (item.kind) {
		case 'value':
			return put(VALUE, item.value, item.u);
		case 'interval':
			return put(INTERVAL, item.lower, item.upper, item.u);
		case 'step':
			return put(STEP, item.amount, item.u);
		case 'exchange':
			return put(EXCHANGE, item.fraction, item.newWater ?? Number.NaN, item.uNewWater, item.uFraction);
		case 'flow':
			return put(FLOW, item.perDay);
		case 'loosen':
			return put(LOOSEN, item.levelVariance, item.rateVariance);
	}
}

export function isMeasurement(kind: number): boolean {
	return kind <= INTERVAL;
}
