import type { KnownSeries } from '$lib/contract/practice-view';
import { parametersOf, titrationsOf } from '$lib/core/method';
import { PARAMETERS, UNITS } from '$lib/core/quantity';
import { adoptedMethods, versionsOf } from '../../repository/method.ts';
import { photographsOfRuns } from '../../repository/photograph.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { readingsByMethod } from '../../repository/test.ts';
import type { ShelfHabits } from '$lib/contract/shelf-view';
import type { Deps } from '../deps.ts';
import { benchShelf } from '../bench/bench-shelf.ts';
import { isColour } from './read-eyes.ts';

const MOST_READ = 4;
const LEVELS = ['Zero', 'Middle', 'High'] as const;

/** The standards on the shelf that stand at zero, in the middle and high for a kit, with what was read of each. */
export async function readKnown(
	deps: Deps,
	scope: SiteScope,
	code: string | null,
	habits: ShelfHabits
): Promise<KnownSeries | null> {
	const { db } = deps;
	const methods = (await adoptedMethods(db, scope))
		.map((m) => m.method)
		.filter((m) => isColour(m) || titrationsOf(m).length > 0);
	const method = methods.find((m) => m.code === code) ?? methods.find(isColour) ?? methods[0];
	if (!method) return null;
	const [parameter] = parametersOf(method);
	const { standards } = await benchShelf(deps, scope, habits);
	const fitting = standards
		.flatMap((s) => {
			const content = s.contents.find((c) => c.parameter === parameter);
			return content ? [{ ...s, holds: content.value }] : [];
		})
		.sort((a, b) => a.holds - b.holds);
	const zero = fitting.find((s) => s.holds === 0);
	const others = fitting.filter((s) => s !== zero);
	const chosen = [zero, others[0], others.length > 1 ? others.at(-1) : undefined];
	const versions = await versionsOf(db, scope, method.code);
	const readings = (
		await readingsByMethod(
			db,
			scope,
			versions.map((v) => v.siteMethodId)
		)
	).filter((r) => r.standardId !== null && chosen.some((c) => c?.id === r.standardId));
	const photographs = await photographsOfRuns(
		db,
		scope,
		readings.map((r) => r.runId)
	);
	const { symbol } = UNITS[PARAMETERS[parameter!].canonicalUnit];
	return {
		method,
		kits: methods.map((m) => ({ value: m.code, name: m.name })),
		levels: LEVELS.map((name, i) => {
			const standard = chosen[i];
			return {
				name,
				standard: standard
					? {
							id: standard.id,
							name: standard.name,
							value: `${standard.holds} ${symbol}`,
							read: readings
								.filter((r) => r.standardId === standard.id)
								.slice(-MOST_READ)
								.map((r) => ({
									readingId: r.readingId,
									at: r.at,
									result: r.results.find((x) => x.parameter === parameter) ?? null,
									photographs: photographs.get(r.runId) ?? []
								}))
						}
					: null
			};
		})
	};
}
