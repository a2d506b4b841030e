<script lang="ts">
	import type { Snippet } from 'svelte';
	import { addDays, daysBetween, instant, type Instant } from '$lib/core/time';
	import { TREND_SPANS, type TrendSpan } from '$lib/contract/trends';
	import type { Series } from './chart/series';
	import type { StackState } from './StackState.svelte';
	import { neighbour } from './under-cursor';

	interface Props {
		stack: StackState;
		all: readonly Series[];
		timeAt: (clientX: number) => Instant;
		children: Snippet;
	}
	let { stack, all, timeAt, children }: Props = $props();

	/** Pixels before a touch that began as a tap is a drag. */
	const DRAG_PX = 6;
	const WHEEL_ZOOM = 1.0015;
	const KEY_ZOOM = 1.5;

	interface Finger {
		readonly x: number;
		readonly at: Instant;
	}
	// eslint-disable-next-line svelte/prefer-svelte-reactivity -- nothing is drawn from it
	const fingers = new Map<number, Finger>();
	let dragged = false;

	const lengthDays = () => daysBetween(stack.from, stack.to);
	const onRow = (event: Event) =>
		event.target instanceof HTMLElement && event.target.closest('[role="img"]') !== null;

	function down(event: PointerEvent): void {
		if (!onRow(event) || event.button !== 0) return;
		fingers.set(event.pointerId, { x: event.clientX, at: timeAt(event.clientX) });
		dragged = false;
		(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
	}
	function move(event: PointerEvent): void {
		const held = fingers.get(event.pointerId);
		if (!held) {
			if (event.pointerType === 'mouse' && onRow(event)) stack.cursor = timeAt(event.clientX);
			return;
		}
		const others = [...fingers].filter(([id]) => id !== event.pointerId);
		const other = others[0]?.[1];
		if (other) {
			// Two fingers: the times under them stay under them.
			const before = Math.abs(held.x - other.x);
			const after = Math.abs(event.clientX - other.x);
			if (before > 8 && after > 8) stack.zoom(before / after, other.at);
			fingers.set(event.pointerId, { x: event.clientX, at: timeAt(event.clientX) });
			dragged = true;
			return;
		}
		if (!dragged && Math.abs(event.clientX - held.x) < DRAG_PX) return;
		dragged = true;
		stack.pan(daysBetween(timeAt(event.clientX), held.at));
	}
	function up(event: PointerEvent): void {
		const held = fingers.get(event.pointerId);
		fingers.delete(event.pointerId);
		if (held && !dragged) stack.point(timeAt(event.clientX));
	}
	/** With a modifier, as a pinch on a pad sends it, the wheel zooms; sideways it moves; else the page scrolls. */
	function wheel(event: WheelEvent): void {
		if (!onRow(event)) return;
		if (event.ctrlKey || event.metaKey) {
			event.preventDefault();
			stack.zoom(WHEEL_ZOOM ** (event.deltaY * 4), timeAt(event.clientX));
		} else if (Math.abs(event.deltaX) > Math.abs(event.deltaY) || event.shiftKey) {
			event.preventDefault();
			stack.pan(((event.deltaX || event.deltaY) / 900) * lengthDays());
		}
	}
	function key(event: KeyboardEvent): void {
		if (event.altKey || event.ctrlKey || event.metaKey) return;
		const spans = Object.keys(TREND_SPANS) as TrendSpan[];
		const done = (() => {
			switch (event.key) {
				case 'ArrowLeft':
				case 'ArrowRight': {
					const direction = event.key === 'ArrowRight' ? 1 : -1;
					if (event.shiftKey) stack.pan((direction * lengthDays()) / 4);
					else {
						const at = stack.cursor ?? (direction > 0 ? stack.from : stack.to);
						stack.point(neighbour(all, at, direction) ?? at);
					}
					return true;
				}
				case '+':
				case '=':
					stack.zoom(1 / KEY_ZOOM);
					return true;
				case '-':
					stack.zoom(KEY_ZOOM);
					return true;
				case 'Home':
					stack.point(neighbour(all, instant(0), 1));
					return true;
				case 'End':
					stack.point(neighbour(all, addDays(stack.to, 36500), -1));
					return true;
				case 'Escape':
					stack.point(null);
					return true;
				default: {
					const span = spans[Number(event.key) - 1];
					if (span) stack.show(span);
					return span !== undefined;
				}
			}
		})();
		if (done) event.preventDefault();
	}
	function passive(node: HTMLElement) {
		node.addEventListener('wheel', wheel, { passive: false });
		return () => node.removeEventListener('wheel', wheel);
	}
</script>

<!-- The whole stack is one thing to move through by keys, as a slider is; its rows are pictures with their words. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	class="stack"
	role="group"
	tabindex="0"
	aria-label="Rows on one axis of time. Left and right go from reading to reading, with Shift the axis moves; plus and minus zoom; 1 to 5 show a week to all; Escape takes the cursor away."
	{@attach passive}
	onpointerdown={down}
	onpointermove={move}
	onpointerup={up}
	onpointercancel={up}
	onpointerleave={(e) => {
		if (e.pointerType === 'mouse' && fingers.size === 0) stack.cursor = null;
	}}
	onkeydown={key}
>
	{@render children()}
</div>

<style>
	.stack :global([role='img']) {
		touch-action: pan-y;
		cursor: crosshair;
	}
	.stack:focus-visible {
		outline: 3px solid var(--accent);
		outline-offset: 2px;
	}
</style>
