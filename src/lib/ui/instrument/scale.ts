/** Maps values to percent of a drawing's width, a little beyond both ends of what must be seen. */
export interface Scale {
	percent(value: number): number;
}

export function linearScale(least: number, most: number): Scale {
	const span = most - least || 1;
	return { percent: (value) => Math.min(100, Math.max(0, ((value - least) / span) * 100)) };
}

/** The span of a strip: the band with room on both sides, and whatever else must stay in sight. */
export function stripSpan(
	band: { readonly low: number | null; readonly high: number | null } | null,
	inSight: readonly number[]
): readonly [number, number] {
	const edges = [band?.low ?? null, band?.high ?? null].filter((x): x is number => x !== null);
	const all = [...edges, ...inSight];
	const width = edges.length === 2 ? edges[1]! - edges[0]! : Math.max(...all) - Math.min(...all);
	const room = (edges.length === 2 ? 0.6 : 0.35) * (width || Math.abs(all[0]!) * 0.1 || 1);
	const least = Math.min(...(edges.length ? edges : all)) - room;
	const most = Math.max(...(edges.length ? edges : all)) + room;
	const margin = width * 0.08;
	return [
		Math.min(least, ...inSight.map((x) => x - margin)),
		Math.max(most, ...inSight.map((x) => x + margin))
	];
}
