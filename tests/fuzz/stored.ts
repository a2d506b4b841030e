import mysql from 'mysql2/promise';
import {
	isParameterId,
	isPossible,
	POSSIBLE,
	POSSIBLE_IN_BOTTLE,
	POSSIBLE_IN_WATER,
	type Possible
} from '../../src/lib/core/quantity/index.ts';
import { unsoundness } from '../../src/lib/core/reading/index.ts';
import { resultOf } from '../../src/lib/server/repository/result.ts';

/** What no door may let through, looked for in the tables themselves: each a line that says where it stands. */
export async function nonsenseStored(migrationUrl: string, nowMs: number): Promise<string[]> {
	const connection = await mysql.createConnection({ uri: migrationUrl, timezone: 'Z' });
	const rows = async (sql: string) => (await connection.query<mysql.RowDataPacket[]>(sql))[0];
	const found: string[] = [];
	const no = (possible: Possible, value: unknown, where: string) => {
		if (typeof value === 'number' && !isPossible(possible, value)) found.push(`${where}: ${value}`);
	};
	const parsed = (json: unknown) =>
		typeof json === 'string' ? (JSON.parse(json) as never) : (json as never);
	try {
		for (const row of await rows('select * from result')) {
			const result = resultOf({
				parameter: row.parameter,
				unit: row.unit,
				kind: row.kind,
				value: row.value,
				lower: row.lower,
				upper: row.upper,
				uRandom: row.u_random,
				uCommon: row.u_common
			});
			const why = unsoundness(result);
			if (why) found.push(`result ${why}: ${JSON.stringify(result)}`);
		}
		const latest = nowMs + 6 * 60_000;
		for (const [table, column] of [
			['sample', 'drawn_at'],
			['test_run', 'started_at'],
			['test_run', 'finished_at'],
			['raw_reading', 'read_at'],
			['event', 'happened_at'],
			['shelf_note', 'happened_at'],
			['bench_session', 'started_at'],
			['plan_note', 'happened_at']
		] as const) {
			for (const row of await rows(`select ${column} as at from ${table}`)) {
				if (new Date(row.at as string).getTime() > latest)
					found.push(`${table}.${column}: ${String(row.at)}`);
			}
		}
		for (const { kind, details: json } of await rows('select kind, details from event')) {
			const details = parsed(json) as Record<string, never>;
			no({ ...POSSIBLE.doseMl, least: 0 }, details.amountMl ?? details.amountMlPerDay, `event ${kind}`);
			if (kind === 'water-change' || kind === 'new-mix')
				no(POSSIBLE.changedL, details.volumeL, `event ${kind}`);
			for (const { parameter, value } of (details.newWater ?? []) as { parameter: string; value: number }[]) {
				if (isParameterId(parameter)) no(POSSIBLE_IN_WATER[parameter], value, `new water ${parameter}`);
			}
			for (const { risePerMlIn100L } of (details.strength ?? []) as { risePerMlIn100L: number }[]) {
				no(POSSIBLE.risePerMlIn100L, risePerMlIn100L, `strength of ${kind}`);
			}
		}
		for (const row of await rows('select name, price, bought_at, expires_at, details from shelf_item')) {
			no(POSSIBLE.price, row.price, 'price');
			const bought = row.bought_at === null ? null : new Date(row.bought_at as string).getTime();
			if (bought !== null && bought > nowMs + 2 * 86_400_000) found.push(`bought: ${String(row.bought_at)}`);
			const { contents } = parsed(row.details) as { contents: { parameter: string; value: number }[] };
			for (const { parameter, value } of contents) {
				if (isParameterId(parameter)) no(POSSIBLE_IN_BOTTLE[parameter], value, `standard ${parameter}`);
			}
		}
		for (const row of await rows('select parameter, low, high, aim from target')) {
			if (row.low !== null && row.high !== null && row.low >= row.high)
				found.push(`band of ${row.parameter} reversed`);
			for (const value of [row.low, row.high, row.aim]) {
				if (isParameterId(row.parameter as string)) {
					no(POSSIBLE_IN_WATER[row.parameter as 'ph'], value, `band of ${row.parameter}`);
				}
			}
		}
	} finally {
		await connection.end();
	}
	return found;
}
