import type { TrendAddress } from '$lib/contract/trend-address';
import { TREND_SPANS, type DaySpan, type TrendSeries, type TrendSpan } from '$lib/contract/trends';
import type { ParameterId } from '$lib/core/quantity';
import { addDays, daysBetween, instant, type Instant } from '$lib/core/time';
import { daysSeen } from './fetch-seen';

/** Nobody reads an axis of less than half a day. */
const LEAST_DAYS = 0.5;
/** How much of what lies ahead is shown with a span that ends now, as part of the span. */
const AHEAD = 0.12;

type Limits = Pick<TrendSeries, 'from' | 'to' | 'now'>;

/** What of the stack is looked at: one span of time, one cursor, which rows, two laid over each other, another water. */
export class StackState {
	from = $state<Instant>(instant(0));
	to = $state<Instant>(instant(1));
	cursor = $state<Instant | null>(null);
	/** What happened then is looked at. */
	pointed = $state<Instant | null>(null);
	/** Null after one has moved by oneself. */
	span = $state<TrendSpan | null>(null);
	superseded = $state(false);
	/** Which rows in which order; null is all that there are. */
	rows = $state.raw<readonly ParameterId[] | null>(null);
	over = $state.raw<readonly [ParameterId, ParameterId] | null>(null);
	/** Another water's series, drawn beside. */
	other = $state.raw<{ readonly id: string; readonly name: string; readonly series: TrendSeries } | null>(
		null
	);
	readonly #limits: () => Limits;

	/** @param limits from when to when there is anything to see */
	constructor(limits: () => Limits, begun: TrendAddress) {
		this.#limits = limits;
		this.show(begun.span ?? 'quarter');
		if (begun.span === null && begun.from !== null && begun.to !== null) this.set(begun.from, begun.to);
		this.rows = begun.rows;
		this.over = begun.over;
		this.superseded = begun.corrected;
		if (begun.at !== null) this.point(begun.at);
	}

	/** What an address keeps of it. */
	get address(): TrendAddress {
		return {
			span: this.span,
			from: this.from,
			to: this.to,
			rows: this.rows,
			over: this.over,
			beside: this.other?.id ?? null,
			corrected: this.superseded,
			at: this.cursor
		};
	}
	show(span: TrendSpan): void {
		const { from, to, now } = this.#limits();
		const days = TREND_SPANS[span];
		this.span = span;
		this.from = days === null ? from : addDays(now, -days);
		const ahead = AHEAD * (days ?? daysBetween(from, now));
		this.to = instant(Math.min(to, addDays(now, ahead)));
	}
	/** Shows from one time to another, whichever is first, as far as there is anything to see. */
	set(one: Instant, another: Instant): void {
		const { from, to } = this.#limits();
		const within = (at: Instant) => Math.min(to, Math.max(from, at));
		const [left, right] = [within(one), within(another)].toSorted((a, b) => a - b) as [number, number];
		const least = LEAST_DAYS * 86_400_000;
		this.from = instant(Math.max(from, Math.min(left, right - least, to - least)));
		this.to = instant(Math.max(right, this.from + least));
		this.span = null;
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
	/** @param factor below 1 shows less time @param around stays where it is, as far as it is in sight */
	zoom(factor: number, around: Instant = this.cursor ?? instant((this.from + this.to) / 2)): void {
		const { from, to } = this.#limits();
		// About what lies outside of it a window would run away.
		const about = instant(Math.min(this.to, Math.max(this.from, around)));
		const length = daysBetween(this.from, this.to);
		const wanted = Math.min(daysBetween(from, to), Math.max(LEAST_DAYS, length * factor));
		const share = daysBetween(this.from, about) / length;
		this.from = addDays(about, -share * wanted);
		this.to = addDays(this.from, wanted);
		this.pan(0);
	}
	/** Puts the cursor to a time, and brings that into view. */
	point(at: Instant | null): void {
		this.cursor = at;
		if (at === null) return;
		if (at < this.from) this.pan(daysBetween(this.from, at) - 0.1 * daysBetween(this.from, this.to));
		if (at > this.to) this.pan(daysBetween(this.to, at) + 0.1 * daysBetween(this.from, this.to));
	}
}
