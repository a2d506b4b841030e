import type { CompoundId } from './compound.ts';

/** What is told beside a salt before it is handled. */
export type SaltDanger = 'caustic' | 'heats' | 'oxidiser' | 'dust';

export interface StockFacts {
	/** What dissolves without trouble at room temperature, g/L, well below saturation (handbook values, rounded). */
	readonly mostGPerL: number;
	/** How long a closed bottle keeps, months (convention). */
	readonly keepsMonths: number;
	readonly dangers: readonly SaltDanger[];
}

/** Solutions mixed at home. @see CRC Handbook of Chemistry and Physics, solubility of inorganic compounds */
export const STOCK: Readonly<Record<CompoundId, StockFacts>> = {
	CaCl2: { mostGPerL: 300, keepsMonths: 12, dangers: ['heats', 'dust'] },
	'CaCl2.2H2O': { mostGPerL: 400, keepsMonths: 12, dangers: ['heats', 'dust'] },
	NaHCO3: { mostGPerL: 70, keepsMonths: 6, dangers: ['dust'] },
	Na2CO3: { mostGPerL: 120, keepsMonths: 12, dangers: ['caustic', 'dust'] },
	K2CO3: { mostGPerL: 300, keepsMonths: 12, dangers: ['caustic', 'heats'] },
	'MgCl2.6H2O': { mostGPerL: 600, keepsMonths: 12, dangers: [] },
	'MgSO4.7H2O': { mostGPerL: 400, keepsMonths: 12, dangers: [] },
	KCl: { mostGPerL: 200, keepsMonths: 12, dangers: [] },
	K2SO4: { mostGPerL: 70, keepsMonths: 12, dangers: [] },
	NaNO3: { mostGPerL: 400, keepsMonths: 12, dangers: ['oxidiser'] },
	KNO3: { mostGPerL: 150, keepsMonths: 12, dangers: ['oxidiser'] },
	KH2PO4: { mostGPerL: 100, keepsMonths: 6, dangers: [] },
	Na3PO4: { mostGPerL: 50, keepsMonths: 6, dangers: ['caustic'] },
	'SrCl2.6H2O': { mostGPerL: 300, keepsMonths: 12, dangers: [] }
};

export interface Recipe {
	readonly litres: number;
	readonly masses: readonly {
		readonly compound: CompoundId;
		readonly grams: number;
		readonly gramsPerL: number;
	}[];
	readonly keepsMonths: number;
	readonly dangers: readonly SaltDanger[];
}

/** A solution holds too much of a salt; the most of it that the same bottle would hold. */
export interface TooStrong {
	readonly compound: CompoundId;
	readonly mostGPerL: number;
}

/** Salts whose ions fall out together in one bottle. */
function fallOut(a: CompoundId, b: CompoundId): boolean {
	const alkaline = (id: CompoundId) => ['NaHCO3', 'Na2CO3', 'K2CO3', 'Na3PO4'].includes(id);
	const phosphate = (id: CompoundId) => id === 'KH2PO4' || id === 'Na3PO4';
	const hard = (id: CompoundId) => /^(Ca|Mg|Sr)/.test(id);
	const sulphate = (id: CompoundId) => id === 'MgSO4.7H2O' || id === 'K2SO4';
	const heavy = (id: CompoundId) => /^(Ca|Sr)/.test(id);
	return (
		((alkaline(a) || phosphate(a)) && hard(b)) ||
		((alkaline(b) || phosphate(b)) && hard(a)) ||
		(sulphate(a) && heavy(b)) ||
		(sulphate(b) && heavy(a))
	);
}

/**
 * What to weigh for a solution that is mixed at home.
 *
 * @param parts grams of each salt, as weighed, in the litre of the finished solution
 * @param litres of the finished solution, above 0
 * @returns the recipe; or the salt that is too much, or the two that fall out together
 */
export function recipeFor(
	parts: readonly { readonly compound: CompoundId; readonly gramsPerL: number }[],
	litres: number
):
	| { readonly kind: 'recipe'; readonly recipe: Recipe }
	| { readonly kind: 'too-strong'; readonly most: TooStrong }
	| { readonly kind: 'falls-out'; readonly pair: readonly [CompoundId, CompoundId] } {
	if (!(litres > 0)) throw new RangeError(`a solution has more than ${litres} L`);
	// Salts in one bottle share its water.
	const load = parts.reduce((sum, p) => sum + p.gramsPerL / STOCK[p.compound].mostGPerL, 0);
	const strongest = [...parts].sort(
		(a, b) => b.gramsPerL / STOCK[b.compound].mostGPerL - a.gramsPerL / STOCK[a.compound].mostGPerL
	)[0];
	if (strongest && load > 1 + 1e-9) {
		return {
			kind: 'too-strong',
			most: { compound: strongest.compound, mostGPerL: strongest.gramsPerL / load }
		};
	}
	for (const [i, a] of parts.entries()) {
		for (const b of parts.slice(i + 1)) {
			if (fallOut(a.compound, b.compound)) return { kind: 'falls-out', pair: [a.compound, b.compound] };
		}
	}
	return {
		kind: 'recipe',
		recipe: {
			litres,
			masses: parts.map(({ compound, gramsPerL }) => ({ compound, gramsPerL, grams: gramsPerL * litres })),
			keepsMonths: Math.min(...parts.map((p) => STOCK[p.compound].keepsMonths)),
			dangers: [...new Set(parts.flatMap((p) => STOCK[p.compound].dangers))]
		}
	};
}
