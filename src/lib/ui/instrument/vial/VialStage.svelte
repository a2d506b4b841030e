<script lang="ts">
	import type { Attachment } from 'svelte/attachments';
	import { cssOf, lightOfTable } from '$lib/core/practice';
	import type { SimVial } from './SimVial.svelte';

	interface Props {
		sim: SimVial;
	}
	let { sim }: Props = $props();

	const calm = () => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

	/** The glass, in a space of 400 to 430. */
	const GLASS = { left: 125, right: 275, top: 60, bottom: 372, round: 18 };
	const LEVEL = 150;

	function glassPath(c: CanvasRenderingContext2D, top: number): void {
		const { left, right, bottom, round } = GLASS;
		c.beginPath();
		c.moveTo(left, top);
		c.lineTo(left, bottom - round);
		c.quadraticCurveTo(left, bottom, left + round, bottom);
		c.lineTo(right - round, bottom);
		c.quadraticCurveTo(right, bottom, right, bottom - round);
		c.lineTo(right, top);
	}

	/** What was painted last: a vial that rests is not painted again, sixty times a second. */
	function looks(canvas: HTMLCanvasElement): string {
		const { body, streak } = sim.sight;
		const moves = streak ? `${cssOf(streak.light)} ${streak.share.toFixed(3)}` : '';
		const falls = sim.falling === null ? '' : sim.falling.toFixed(2);
		return `${canvas.width} ${canvas.height} ${cssOf(body)} ${moves} ${falls}`;
	}

	function paint(canvas: HTMLCanvasElement): void {
		const c = canvas.getContext('2d');
		if (!c) return;
		const { width, height } = canvas;
		const scale = Math.min(width / 400, height / 430);
		c.setTransform(1, 0, 0, 1, 0, 0);
		c.fillStyle = cssOf(lightOfTable(sim.around));
		c.fillRect(0, 0, width, height);
		c.translate((width - 400 * scale) / 2, (height - 430 * scale) / 2);
		c.scale(scale, scale);
		const { body, streak } = sim.sight;
		c.save();
		glassPath(c, LEVEL);
		c.closePath();
		c.clip();
		c.fillStyle = cssOf(body);
		c.fillRect(GLASS.left, LEVEL, GLASS.right - GLASS.left, GLASS.bottom - LEVEL);
		if (streak && !calm()) {
			// What is not mixed yet hangs below the place where it fell in, and widens.
			const reach = 30 + 240 * Math.sqrt(streak.share);
			const colour = cssOf(streak.light);
			const cloud = c.createRadialGradient(200, LEVEL + reach * 0.25, 4, 200, LEVEL + reach * 0.25, reach);
			cloud.addColorStop(0, colour);
			cloud.addColorStop(1, cssOf(body));
			c.globalAlpha = Math.max(0, 1 - streak.share);
			c.fillStyle = cloud;
			c.fillRect(GLASS.left, LEVEL, GLASS.right - GLASS.left, GLASS.bottom - LEVEL);
			c.globalAlpha = 1;
		}
		c.restore();
		c.lineWidth = 3;
		c.strokeStyle = '#808080';
		glassPath(c, GLASS.top);
		c.stroke();
		c.beginPath();
		c.moveTo(GLASS.left, GLASS.top);
		c.lineTo(GLASS.right, GLASS.top);
		c.stroke();
		// The tip, and what hangs from it.
		c.fillStyle = '#d9d9d9';
		c.beginPath();
		c.moveTo(192, 6);
		c.lineTo(208, 6);
		c.lineTo(204, 42);
		c.lineTo(196, 42);
		c.closePath();
		c.fill();
		c.lineWidth = 1.5;
		c.stroke();
		const y = sim.falling === null ? 47 : 47 + sim.falling * (LEVEL - 47);
		c.beginPath();
		c.arc(200, y, sim.falling === null ? 4 : 6, 0, 2 * Math.PI);
		c.fillStyle = '#f2f2f2';
		c.fill();
		c.stroke();
	}

	/** Draws at the pace of the screen, at its own sharpness. */
	const live: Attachment<HTMLCanvasElement> = (canvas) => {
		let last: number | null = null;
		let painted = '';
		let id = 0;
		const fit = () => {
			const { width, height } = canvas.getBoundingClientRect();
			const sharp = Math.min(2, window.devicePixelRatio);
			canvas.width = Math.max(1, Math.round(width * sharp));
			canvas.height = Math.max(1, Math.round(height * sharp));
		};
		const sized = new ResizeObserver(fit);
		sized.observe(canvas);
		const frame = (at: number) => {
			if (last !== null) sim.pass((at - last) / 1000);
			last = at;
			const now = looks(canvas);
			if (now !== painted) paint(canvas);
			painted = now;
			id = requestAnimationFrame(frame);
		};
		id = requestAnimationFrame(frame);
		return () => {
			cancelAnimationFrame(id);
			sized.disconnect();
		};
	};
</script>

<canvas
	{@attach live}
	class="block h-72 w-full border sm:h-96"
	aria-label="A vial whose colour changes as drops fall in"
></canvas>
