import type { ParameterId } from '$lib/core/quantity';
import { addDays, daysBetween, instant, type Instant } from '$lib/core/time';
import { TREND_SPANS, type DaySpan, type TrendSeries, type TrendSpan } from '$lib/contract/trends';
import { daysSeen } from './fetch-seen';

/** Nobody reads an axis of less than half a day. */
const LEAST_DAYS = 0.5;
/** How much of what lies ahead is shown with a span that ends now, as part of the span. */
const AHEAD = 0.12;

type Limits = Pick<TrendSeries, 'from' | 'to' | 'now'>;

/** What of the stack is looked at: one span of time, one cursor, two parameters laid over each other, another water. */
export class StackState {
	from = $state<Instant>(instant(0));
	to = $state<Instant>(instant(1));
	cursor = $state<Instant | null>(null);
	/** Null after one has moved by oneself. */
	span = $state<TrendSpan | null>(null);
	superseded = $state(false);
	over = $state.raw<readonly [ParameterId, ParameterId] | null>(null);
	/** Another water's series, drawn beside. */
	other = $state.raw<{ readonly id: string; readonly name: string; readonly series: TrendSeries } | null>(
		null
	);
	readonly #limits: () => Limits;

	/** @param limits from when to when there is anything to see */
	constructor(limits: () => Limits, span: TrendSpan) {
		this.#limits = limits;
		this.show(span);
	}

	show(span: TrendSpan): void {
		const { from, to, now } = this.#limits();
		const days = TREND_SPANS[span];
		this.span = span;
		this.from = days === null ? from : addDays(now, -days);
		const ahead = AHEAD * (days ?? daysBetween(from, now));
		this.to = instant(Math.min(to, addDays(now, ahead)));
	}
	/** The days that are looked at. */
	days(): DaySpan {
		return daysSeen(this.#limits(), this);
	}
	/** Moves the span by days, as far as there is anything to see. */
	pan(days: number): void {
		const { from, to } = this.#limits();
		const length = daysBetween(this.from, this.to);
		const least = addDays(from, -length / 2);
		const most = addDays(to, -length / 2);
		const start = Math.min(most, Math.max(least, addDays(this.from, days)));
		this.from = instant(start);
		this.to = addDays(this.from, length);
		this.span = null;
	}
	/** @param factor below 1 shows less time @param about stays where it is */
	zoom(factor: number, about: Instant = this.cursor ?? instant((this.from + this.to) / 2)): void {
		const { from, to } = this.#limits();
		const length = daysBetween(this.from, this.to);
		const wanted = Math.min(daysBetween(from, to), Math.max(LEAST_DAYS, length * factor));
		const share = daysBetween(this.from, about) / length;
		this.from = addDays(about, -share * wanted);
		this.to = addDays(this.from, wanted);
		this.span = null;
	}
	/** Puts the cursor to a time, and brings that into view. */
	point(at: Instant | null): void {
		this.cursor = at;
		if (at === null) return;
		if (at < this.from) this.pan(daysBetween(this.from, at) - 0.1 * daysBetween(this.from, this.to));
		if (at > this.to) this.pan(daysBetween(this.to, at) + 0.1 * daysBetween(this.from, this.to));
	}
}
