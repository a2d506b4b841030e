import type { SaveSupplement } from '$lib/contract/adjust';
import {
	COMPOUND_IDS,
	COMPOUNDS,
	magnesiumSalts,
	recipeFor,
	SATURATED_LIMEWATER
} from '$lib/core/correction';
import type { NamedSupplement } from '$lib/core/judgement/plan';
import { fail, ok, type Result } from '$lib/core/result';
import { addSupplement, ownSupplements } from '../../repository/correction.ts';
import type { Reader } from '../../repository/database.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { waterAt } from '../../repository/water.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';

/** Common salts are sold at about this purity; a keeper whose bag says otherwise enters it. */
const USUAL_PURITY = 0.98;
/** Strontium is not raised on purpose: nobody can test it at home. */
const COMMON = COMPOUND_IDS.filter((id) => id !== 'SrCl2.6H2O');

/** Sulphate and chloride as in the sea. */
const SEA = magnesiumSalts(1, 1);

const SHIPPED: readonly NamedSupplement[] = [
	...COMMON.map((compound): NamedSupplement => ({
		id: `salt:${compound}`,
		name: COMPOUNDS[compound].name,
		own: false,
		what: { kind: 'salt', compound, purity: USUAL_PURITY },
		notWith: ''
	})),
	{
		id: 'sea-magnesium',
		name: 'Magnesium solution in the sea’s proportion',
		own: false,
		what: {
			kind: 'solution',
			parts: [
				{ compound: 'MgCl2.6H2O', gramsPerL: 300, purity: USUAL_PURITY },
				{
					compound: 'MgSO4.7H2O',
					gramsPerL: Math.round((300 * SEA.sulphateG) / SEA.chlorideG),
					purity: USUAL_PURITY
				}
			]
		},
		notWith: ''
	},
	{ id: 'limewater', name: 'Saturated limewater', own: false, what: SATURATED_LIMEWATER, notWith: '' }
];

/** What can be added to a water: the site's own first, then common salts. */
export async function namedSupplements(db: Reader, scope: SiteScope): Promise<readonly NamedSupplement[]> {
	const own = await ownSupplements(db, scope);
	return [
		...own.flatMap(({ id, name, details }): NamedSupplement[] =>
			details.inUse ? [{ id, name, own: true, what: details.what, notWith: details.notWith }] : []
		),
		...SHIPPED
	];
}

export async function readSupplements(deps: Deps, scope: SiteScope): Promise<readonly NamedSupplement[]> {
	return namedSupplements(deps.db, scope);
}

/** Keeps a supplement; saved under a name that is there, it takes its place for plans to come. */
export async function saveSupplement(
	deps: PooledDeps,
	scope: ScopeFor<'decide'>,
	command: SaveSupplement
): Promise<Result<{ readonly supplementId: string }>> {
	return once(deps, scope, 'save-supplement', command, async (tx, within) => {
		const now = within.clock.now();
		if (!(await waterAt(tx, scope, command.waterId, now))) return fail('unknown-item', 'waterId');
		const { what } = command.details;
		if (what.kind === 'solution') {
			const recipe = recipeFor(what.parts, 1);
			if (recipe.kind === 'too-strong') {
				const { compound, mostGPerL } = recipe.most;
				return fail('too-strong', 'gramsPerL', {
					most: Math.floor(mostGPerL),
					salt: COMPOUNDS[compound].name
				});
			}
			if (recipe.kind === 'falls-out') {
				const [a, b] = recipe.pair;
				return fail('falls-out', 'compound', { first: COMPOUNDS[a].name, second: COMPOUNDS[b].name });
			}
		}
		if (what.kind === 'table' && what.rows.some((r, i) => i > 0 && r.reading <= what.rows[i - 1]!.reading)) {
			return fail('table-row', 'rows');
		}
		await addSupplement(tx, scope, {
			id: command.id,
			name: command.name.trim(),
			details: command.details,
			receivedAt: now
		});
		return ok({ supplementId: command.id });
	});
}
