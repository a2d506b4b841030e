import type { CoursePoint } from '$lib/core/correction';

/** A moment with a value and its standard uncertainty, in days of the plan. */
export interface ChartPoint {
	readonly day: number;
	readonly value: number;
	readonly u: number;
}

export interface ChartGiven {
	readonly course: readonly CoursePoint[];
	readonly estimate: readonly ChartPoint[];
	readonly readings: readonly ChartPoint[];
	readonly band: { readonly low: number | null; readonly high: number | null } | null;
	readonly aim: number;
}

export interface ChartSize {
	readonly width: number;
	readonly height: number;
	readonly left: number;
	readonly bottom: number;
	readonly top: number;
}

/** Two standard uncertainties either way. */
const WIDE = 2;
const ROOM = 0.08;

const roundStep = (span: number) => {
	const rough = span / 4;
	const power = 10 ** Math.floor(Math.log10(rough));
	return [1, 2, 5, 10].map((n) => n * power).find((s) => s >= rough)!;
};

/** Where everything of a plan's curve is drawn. */
export function courseChart({ course, estimate, readings, band, aim }: ChartGiven, size: ChartSize) {
	const { width, height, left, bottom, top } = size;
	const all = [...course, ...estimate, ...readings];
	const days = [0, 1, ...all.map((p) => p.day)];
	const ends = [
		aim,
		...course.map((p) => p.value),
		...estimate.flatMap((p) => [p.value - WIDE * p.u, p.value + WIDE * p.u]),
		...readings.map((p) => p.value),
		...[band?.low, band?.high].filter((x): x is number => x !== null && x !== undefined)
	];
	const [firstDay, lastDay] = [Math.min(...days), Math.max(...days)];
	const [least, most] = [Math.min(...ends), Math.max(...ends)];
	const room = ROOM * Math.max(most - least, 1e-6);
	const x = (day: number) => left + ((day - firstDay) / (lastDay - firstDay)) * (width - left - 8);
	const y = (value: number) =>
		height - bottom - ((value - least + room) / (most - least + 2 * room)) * (height - bottom - top);
	const within = (value: number) => Math.min(height - bottom, Math.max(top, y(value)));
	const step = roundStep(most - least + 2 * room);
	const ticks: { value: number; at: number }[] = [];
	for (let value = Math.ceil((least - room) / step) * step; value <= most + room; value += step) {
		ticks.push({ value: Number(value.toPrecision(6)), at: y(value) });
	}
	const dayStep = lastDay - firstDay > 24 ? 7 : lastDay - firstDay > 12 ? 4 : lastDay - firstDay > 6 ? 2 : 1;
	const dayTicks: { day: number; at: number }[] = [];
	for (let day = 0; day <= lastDay; day += dayStep) dayTicks.push({ day, at: x(day) });
	const area = (points: readonly ChartPoint[]) =>
		points.length < 2
			? ''
			: [
					...points.map((p) => `${x(p.day)},${within(p.value + WIDE * p.u)}`),
					...[...points].reverse().map((p) => `${x(p.day)},${within(p.value - WIDE * p.u)}`)
				].join(' ');
	const line = (points: readonly ChartPoint[]) => points.map((p) => `${x(p.day)},${y(p.value)}`).join(' ');
	return {
		x,
		y,
		ticks,
		dayTicks,
		slot:
			band && (band.low !== null || band.high !== null)
				? {
						from: within(band.high ?? most + room),
						to: within(band.low ?? least - room)
					}
				: null,
		courseArea: area(course),
		courseLine: line(course),
		estimateArea: area(estimate),
		estimateLine: line(estimate),
		dots: readings.map((p) => ({ x: x(p.day), y: y(p.value) }))
	};
}
