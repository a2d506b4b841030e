import { isParameterId, type ParameterId } from '$lib/core/quantity';
import { instant, toIso, type Instant } from '$lib/core/time';
import { TREND_SPANS, type TrendSpan } from './trends';

/** What of a water's trends is looked at, as an address keeps it: such a view can be kept and sent. */
export interface TrendAddress {
	/** Null: from and to stand for themselves. */
	readonly span: TrendSpan | null;
	readonly from: Instant | null;
	readonly to: Instant | null;
	/** Which rows in which order; null: as the person usually has them. */
	readonly rows: readonly ParameterId[] | null;
	/** Two laid over each other. */
	readonly over: readonly [ParameterId, ParameterId] | null;
	/** The id of another water that is drawn beside. */
	readonly beside: string | null;
	/** Corrected readings are drawn too. */
	readonly corrected: boolean;
	/** Where the cursor stands. */
	readonly at: Instant | null;
}

const SPANS = Object.keys(TREND_SPANS) as TrendSpan[];
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
const MINUTE = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/;

function minute(text: string | null): Instant | null {
	if (text === null || !MINUTE.test(text)) return null;
	const at = Date.parse(`${text}Z`);
	return Number.isNaN(at) ? null : instant(at);
}
const minuteText = (at: Instant) => toIso(at).slice(0, 16);

/** Parameters as "alkalinity.calcium"; whatever is none, or comes twice, is passed over. */
export function readRows(text: string | null | undefined): readonly ParameterId[] | null {
	const rows = [...new Set((text ?? '').split('.'))].filter(isParameterId);
	return rows.length > 0 ? rows : null;
}

/** Reads an address; whatever it says that is nothing is as if it were not there. */
export function readTrendAddress(query: URLSearchParams): TrendAddress {
	const [from, to] = [minute(query.get('from')), minute(query.get('to'))];
	const isOwnSpan = from !== null && to !== null && from < to;
	const pair = readRows(query.get('over'));
	const beside = query.get('beside') ?? '';
	return {
		span: isOwnSpan ? null : (SPANS.find((s) => s === query.get('span')) ?? 'quarter'),
		from: isOwnSpan ? from : null,
		to: isOwnSpan ? to : null,
		rows: readRows(query.get('rows')),
		over: pair?.length === 2 ? [pair[0]!, pair[1]!] : null,
		beside: UUID.test(beside) ? beside : null,
		corrected: query.get('corrected') === 'yes',
		at: minute(query.get('at'))
	};
}

/** The address of what is looked at, without its path. */
export function trendAddress(seen: TrendAddress): string {
	const parts: (readonly [string, string | null])[] = [
		['span', seen.span],
		['from', seen.span === null && seen.from !== null ? minuteText(seen.from) : null],
		['to', seen.span === null && seen.to !== null ? minuteText(seen.to) : null],
		['rows', seen.rows?.join('.') ?? null],
		['over', seen.over?.join('.') ?? null],
		['beside', seen.beside],
		['corrected', seen.corrected ? 'yes' : null],
		['at', seen.at === null ? null : minuteText(seen.at)]
	];
	// None of these holds anything that an address would have to write otherwise; colons are left to be read.
	return `?${parts.flatMap(([key, value]) => (value === null ? [] : [`${key}=${value}`])).join('&')}`;
}
