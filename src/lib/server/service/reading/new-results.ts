import type { Method } from '$lib/core/method';
import { PARAMETERS } from '$lib/core/quantity';
import { DERIVATION_VERSION } from '$lib/core/reading';
import type { NewResult } from '../../repository/result.ts';
import type { Deps } from '../deps.ts';
import type { KitDerivation } from './run-kit.ts';

/** Rows for what was derived from one reading. @param siteMethodId of the version, where it is not the run's own */
export function newResults(
	deps: Deps,
	of: { readonly id: string; readonly readingId: string },
	method: Method,
	{ outcomes, kitCheckIds }: KitDerivation,
	siteMethodId: string | null
): NewResult[] {
	return outcomes.map(({ result }) => ({
		id: deps.newId(),
		runId: of.id,
		readingId: of.readingId,
		derivationVersion: DERIVATION_VERSION,
		siteMethodId,
		kitCheckId: kitCheckIds[result.parameter] ?? null,
		species: (result.parameter === method.parameter
			? method.species
			: PARAMETERS[result.parameter].species
		).slice(0, 40),
		result,
		derivedAt: deps.clock.now()
	}));
}
