import { createSubscriber } from 'svelte/reactivity';
import { observeWindowOffset, observeWindowRect, Virtualizer, windowScroll } from '@tanstack/virtual-core';

/** Rows beyond the screen that are drawn all the same, so that nothing blinks. */
const BEYOND = 12;
/** Fewer are drawn whole: a browser finds words in them by itself. */
const FEW = 120;

interface Input {
	readonly count: number;
	/** px, until a row was seen. */
	readonly estimate: number;
	/** What the rows stand in; none on the server. */
	readonly body: HTMLElement | undefined;
}

/** The rows that are drawn, and how much room those above and below them take, px. */
export interface Seen {
	/** First index. */
	readonly from: number;
	/** The one after the last. */
	readonly to: number;
	readonly above: number;
	readonly below: number;
}

/** Which rows of a long table are in view of the window. On the server, and of a short table, the first of them all. */
export class RowsInView {
	readonly #input: () => Input;
	readonly #virtual: Virtualizer<Window, Element>;
	readonly #followed = createSubscriber((update) => {
		this.#changed = update;
		const leave = this.#virtual._didMount();
		this.#virtual._willUpdate();
		return leave;
	});
	#changed: () => void = () => undefined;

	constructor(input: () => Input) {
		this.#input = input;
		this.#virtual = new Virtualizer<Window, Element>(this.#settings(0, undefined));
	}

	#settings(count: number, body: HTMLElement | undefined) {
		const isBrowser = typeof window !== 'undefined';
		return {
			count,
			getScrollElement: () => (isBrowser ? window : null),
			estimateSize: () => this.#input().estimate,
			overscan: BEYOND,
			scrollMargin: body ? body.getBoundingClientRect().top + window.scrollY : 0,
			observeElementRect: observeWindowRect,
			observeElementOffset: observeWindowOffset,
			scrollToFn: windowScroll,
			initialOffset: () => (isBrowser ? window.scrollY : 0),
			onChange: () => this.#changed()
		};
	}

	get seen(): Seen {
		const { count, body } = this.#input();
		if (!body || count <= FEW) return { from: 0, to: Math.min(count, FEW), above: 0, below: 0 };
		this.#followed();
		const settings = this.#settings(count, body);
		this.#virtual.setOptions(settings);
		const items = this.#virtual.getVirtualItems();
		const [first, last] = [items[0], items.at(-1)];
		if (!first || !last) return { from: 0, to: Math.min(count, FEW), above: 0, below: 0 };
		return {
			from: first.index,
			to: Math.min(count, last.index + 1),
			above: first.start - settings.scrollMargin,
			below: Math.max(0, this.#virtual.getTotalSize() - (last.end - settings.scrollMargin))
		};
	}

	/** Told of each row that is drawn, so that its height is known; its `data-index` says which it is. */
	readonly measured = (row: HTMLElement): void => {
		this.#virtual.measureElement(row);
	};
	scrollTo(index: number): void {
		this.#virtual.scrollToIndex(index, { align: 'auto' });
	}
}
