<script lang="ts">
	import { roundTo } from '$lib/core/numeric';
	import { fixed, millilitres } from '$lib/format/number';

	interface Props {
		capacityMl: number;
		graduationMl: number;
		/** Volume left under the plunger's edge, mL; null until it was set. */
		leftMl: number | null;
		/** What the filling began with; the plunger cannot stand above it. */
		startMl: number;
		/** True: the plunger stood between two marks, and the reading is the pair of them. */
		between: boolean;
		/** Held with its tip up: the numerals stay upright. */
		tipUp: boolean;
		onset: (leftMl: number) => void;
	}
	let { capacityMl, graduationMl, leftMl, startMl, between, tipUp, onset }: Props = $props();

	/** The enlarged window: so many pixels of the drawing for one division. */
	const DIVISION_PX = 15;
	const HEIGHT = 380;
	const BARREL = { x: 108, width: 92 };
	const AIR_PX = 26;
	/** The longest mark, and the room that a numeral beside it takes. */
	const MARK_PX = 34;
	const NUMERAL_PX = 38;
	const OVERVIEW = { x: 14, width: 22, top: 24, bottom: HEIGHT - 34 };

	const shown = $derived(leftMl ?? startMl);
	/** The middle of the window; it stands still while the plunger is dragged. */
	let held = $state<number | null>(null);
	const middle = $derived(held ?? shown);
	const pxPerMl = $derived(DIVISION_PX / graduationMl);
	const up = $derived(tipUp ? 1 : -1);
	const yOf = (ml: number) => HEIGHT / 2 + up * (ml - middle) * pxPerMl;

	/** Where the drawn marks stand: they are drawn anew only when the window has gone far, and moved as a whole until then. */
	const ANCHOR_DIVISIONS = 10;
	const anchor = $derived(
		roundTo(
			Math.round(middle / graduationMl / ANCHOR_DIVISIONS) * ANCHOR_DIVISIONS * graduationMl,
			graduationMl
		)
	);
	const marks = $derived.by(() => {
		const beside = HEIGHT / 2 / DIVISION_PX + ANCHOR_DIVISIONS;
		const at = Math.round(anchor / graduationMl);
		const first = Math.max(0, Math.floor(at - beside));
		const last = Math.min(Math.round(capacityMl / graduationMl), Math.ceil(at + beside));
		return Array.from({ length: last - first + 1 }, (_, i) => {
			const division = first + i;
			const ml = roundTo(division * graduationMl, graduationMl);
			return {
				ml,
				y: up * (division - at) * DIVISION_PX,
				length: division % 10 === 0 ? MARK_PX : division % 5 === 0 ? 24 : 15,
				text: division % 10 === 0 ? fixed(ml, 1) : ''
			};
		});
	});

	/** Snaps to a mark, or to the middle between two. */
	function snap(ml: number): number {
		const shift = between ? graduationMl / 2 : 0;
		const snapped = roundTo(Math.round((ml - shift) / graduationMl) * graduationMl + shift, graduationMl / 2);
		return Math.min(startMl - shift, Math.max(shift, snapped));
	}
	function set(ml: number): void {
		onset(snap(ml));
	}
	function nudge(divisions: number): void {
		set(shown + divisions * graduationMl);
	}

	let drag: { pointer: number; fromY: number; fromMl: number; mlPerPx: number } | null = null;

	function mlPerScreenPx(svg: SVGSVGElement, mlPerUnit: number): number {
		return (mlPerUnit * HEIGHT) / svg.getBoundingClientRect().height;
	}
	function press(event: PointerEvent & { currentTarget: SVGElement }, coarse: boolean): void {
		const svg = event.currentTarget.ownerSVGElement!;
		event.currentTarget.setPointerCapture(event.pointerId);
		const coarseMlPerUnit = capacityMl / (OVERVIEW.bottom - OVERVIEW.top);
		const mlPerPx = -up * -1 * mlPerScreenPx(svg, coarse ? coarseMlPerUnit : 1 / pxPerMl);
		if (coarse) {
			const box = svg.getBoundingClientRect();
			const y = ((event.clientY - box.top) / box.height) * HEIGHT;
			set(overviewMl(y));
		} else held = shown;
		drag = { pointer: event.pointerId, fromY: event.clientY, fromMl: shown, mlPerPx };
	}
	function move(event: PointerEvent): void {
		if (drag?.pointer !== event.pointerId) return;
		set(drag.fromMl + (event.clientY - drag.fromY) * drag.mlPerPx);
	}
	function release(event: PointerEvent): void {
		if (drag?.pointer !== event.pointerId) return;
		drag = null;
		held = null;
	}

	const overviewY = (ml: number) => {
		const share = ml / capacityMl;
		const { top, bottom } = OVERVIEW;
		return tipUp ? top + share * (bottom - top) : bottom - share * (bottom - top);
	};
	const overviewMl = (y: number) => {
		const { top, bottom } = OVERVIEW;
		const share = tipUp ? (y - top) / (bottom - top) : (bottom - y) / (bottom - top);
		return share * capacityMl;
	};

	/** Up on the screen is up for the plunger, whichever way the syringe is held; from anywhere on the page. */
	function key(event: KeyboardEvent): void {
		if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
		const step = (event.shiftKey ? 10 : 1) * up;
		const moves: Record<string, () => void> = {
			ArrowUp: () => nudge(-step),
			ArrowDown: () => nudge(step),
			ArrowRight: () => nudge(event.shiftKey ? 10 : 1),
			ArrowLeft: () => nudge(event.shiftKey ? -10 : -1),
			PageUp: () => nudge(-10 * up),
			PageDown: () => nudge(10 * up),
			Home: () => set(0),
			End: () => set(startMl)
		};
		const act = moves[event.key];
		if (!act) return;
		event.preventDefault();
		act();
	}

	const edgeY = $derived(yOf(shown));
	const tipSide = $derived(tipUp ? -1 : 1);
	const words = $derived(
		leftMl === null
			? 'not set yet'
			: `${millilitres(leftMl)} mL left in the syringe, ${millilitres(startMl - leftMl)} mL used`
	);
</script>

<svelte:window onkeydown={key} />

<div class="flex items-center justify-between gap-3 sm:justify-center">
	<svg class="syringe" viewBox="0 0 396 {HEIGHT}" width="396" height={HEIGHT}>
		<defs>
			<clipPath id="window"><rect x="0" y="0" width="396" height={HEIGHT} /></clipPath>
		</defs>

		<!-- The whole syringe, true to scale, with the window on it. -->
		<g
			class="overview"
			role="presentation"
			onpointerdown={(e) => press(e, true)}
			onpointermove={move}
			onpointerup={release}
			onpointercancel={release}
		>
			<rect x="0" y="0" width="56" height={HEIGHT} fill="transparent" />
			<rect
				class="barrel"
				x={OVERVIEW.x}
				y={OVERVIEW.top}
				width={OVERVIEW.width}
				height={OVERVIEW.bottom - OVERVIEW.top}
			/>
			<rect
				class="liquid"
				x={OVERVIEW.x + 1}
				width={OVERVIEW.width - 2}
				y={Math.min(overviewY(0), overviewY(shown))}
				height={Math.abs(overviewY(0) - overviewY(shown))}
			/>
			<path
				class="tip"
				d={tipUp
					? `M${OVERVIEW.x + 7} ${OVERVIEW.top} l2 -20 h4 l2 20z`
					: `M${OVERVIEW.x + 7} ${OVERVIEW.bottom} l2 20 h4 l2 -20z`}
			/>
			{#each Array.from({ length: 11 }, (_, i) => (i * capacityMl) / 10) as ml (ml)}
				<line
					class="mark"
					x1={OVERVIEW.x + OVERVIEW.width}
					x2={OVERVIEW.x + OVERVIEW.width + 5}
					y1={overviewY(ml)}
					y2={overviewY(ml)}
				/>
			{/each}
			<rect
				class="seal"
				x={OVERVIEW.x + 1}
				width={OVERVIEW.width - 2}
				height="7"
				y={tipUp ? overviewY(shown) : overviewY(shown) - 7}
			/>
		</g>

		<!-- Enlarged round the plunger. -->
		<g clip-path="url(#window)">
			<rect class="barrel" x={BARREL.x} y="-4" width={BARREL.width} height={HEIGHT + 8} />
			<rect
				class="rod"
				x={BARREL.x + 30}
				width={BARREL.width - 60}
				y={tipSide > 0 ? edgeY - HEIGHT * 2 : edgeY}
				height={HEIGHT * 2}
			/>
			<rect
				class="liquid"
				x={BARREL.x + 2}
				width={BARREL.width - 4}
				y={tipSide > 0 ? edgeY + AIR_PX : yOf(0)}
				height={Math.max(0, tipSide > 0 ? yOf(0) - edgeY - AIR_PX : edgeY - AIR_PX - yOf(0))}
			/>
			<path
				class="tip"
				d={tipSide > 0
					? `M${BARREL.x} ${yOf(0)} h${BARREL.width} l-30 26 h-6 v60 h-20 v-60 h-6z`
					: `M${BARREL.x} ${yOf(0)} h${BARREL.width} l-30 -26 h-6 v-60 h-20 v60 h-6z`}
			/>
			<g transform="translate({BARREL.x + BARREL.width} {yOf(anchor)})">
				{#each marks as mark (mark.ml)}
					<line class="mark" x1="0" x2={mark.length} y1={mark.y} y2={mark.y} />
					{#if mark.text}<text class="figures numeral" x={MARK_PX + 8} y={mark.y + 6}>{mark.text}</text>{/if}
				{/each}
			</g>
			<rect
				class="seal"
				x={BARREL.x + 2}
				width={BARREL.width - 4}
				height="32"
				y={tipSide > 0 ? edgeY - 32 : edgeY}
			/>
			<text class="air" x={BARREL.x + BARREL.width / 2} y={edgeY + tipSide * 14 + 4}>air, always there</text>
		</g>

		<!-- It ends before the numerals, which would be struck through. -->
		<line class="cursor" x1="76" x2={BARREL.x + BARREL.width + MARK_PX + 4} y1={edgeY} y2={edgeY} />
		<line
			class="cursor"
			x1={BARREL.x + BARREL.width + MARK_PX + 8 + NUMERAL_PX}
			x2={BARREL.x + BARREL.width + MARK_PX + 8 + NUMERAL_PX + 8}
			y1={edgeY}
			y2={edgeY}
		/>
		<text class="read" x={BARREL.x + BARREL.width + MARK_PX + NUMERAL_PX + 20} y={edgeY + 5}
			>read this edge</text
		>
		<g
			class="handle"
			role="slider"
			tabindex="0"
			aria-label="Plunger"
			aria-orientation="vertical"
			aria-valuemin={0}
			aria-valuemax={startMl}
			aria-valuenow={shown}
			aria-valuetext={words}
			onpointerdown={(e) => press(e, false)}
			onpointermove={move}
			onpointerup={release}
			onpointercancel={release}
		>
			<rect x="60" y={edgeY - 60} width="150" height="120" fill="transparent" />
			<circle cx="76" cy={edgeY} r="22" />
			<path class="grip" d="M69 {edgeY - 5} l7 -7 l7 7 M69 {edgeY + 5} l7 7 l7 -7" />
		</g>
	</svg>
	<div class="flex flex-col gap-4">
		<button type="button" class="nudge" onclick={() => nudge(-up)} aria-label="Plunger up one division">
			<span aria-hidden="true">{tipUp ? '−' : '+'}</span>
		</button>
		<button type="button" class="nudge" onclick={() => nudge(up)} aria-label="Plunger down one division">
			<span aria-hidden="true">{tipUp ? '+' : '−'}</span>
		</button>
	</div>
</div>

<style>
	.syringe {
		max-width: 100%;
		height: auto;
		max-height: 34dvh;
		min-height: 15rem;
		user-select: none;
		touch-action: none;
	}
	@media (min-width: 64rem) {
		.syringe {
			max-height: 48dvh;
		}
	}
	.barrel {
		fill: var(--barrel);
		stroke: var(--line-strong);
		stroke-width: 1.5;
	}
	.rod {
		fill: var(--rod);
	}
	.liquid {
		fill: var(--liquid);
	}
	.tip {
		fill: var(--barrel);
		stroke: var(--line-strong);
		stroke-width: 1.5;
	}
	.seal {
		fill: var(--seal);
	}
	.mark {
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.numeral {
		fill: var(--ink);
		font-size: 19px;
		font-weight: 600;
	}
	.air {
		fill: var(--muted);
		font-size: 11.5px;
		text-anchor: middle;
	}
	.cursor {
		stroke: var(--accent);
		stroke-width: 2;
	}
	.read {
		fill: var(--accent);
		font-size: 14px;
		font-weight: 600;
	}
	.handle {
		cursor: ns-resize;
	}
	.handle circle {
		fill: var(--accent);
	}
	.handle .grip {
		fill: none;
		stroke: var(--on-accent);
		stroke-width: 2.5;
	}
	.overview {
		cursor: pointer;
	}
	.nudge {
		width: 60px;
		height: 60px;
		border: 2px solid var(--ink);
		border-radius: 4px;
		font-size: 28px;
		font-weight: 600;
		line-height: 1;
		background: var(--surface);
		touch-action: manipulation;
	}
	.nudge:hover {
		background: var(--paper);
	}
</style>
