import { offeredFor, type RaisedParameter, type Supplement } from './supplement.ts';

/** The common salt that is taken where the keeper has nothing of their own. */
const USUAL: Readonly<Record<RaisedParameter, string>> = {
	alkalinity: 'salt:NaHCO3',
	calcium: 'salt:CaCl2.2H2O',
	magnesium: 'sea-magnesium',
	potassium: 'salt:KCl',
	nitrate: 'salt:NaNO3',
	phosphate: 'salt:KH2PO4'
};

interface Named {
	readonly id: string;
	/** The keeper's own, and not a common salt that is always there. */
	readonly own: boolean;
	readonly what: Supplement | { readonly kind: 'table' };
}

/** What raises a parameter, by its id: as chosen where that raises it, else the keeper's own, else a common salt. */
export function supplementFor(
	parameter: RaisedParameter,
	supplements: readonly Named[],
	chosen: string | null
): string {
	const fits = ({ what }: Named) => what.kind !== 'table' && offeredFor(what).includes(parameter);
	const named = supplements.find((s) => s.id === chosen && fits(s));
	return (named ?? supplements.find((s) => s.own && fits(s)))?.id ?? USUAL[parameter];
}
