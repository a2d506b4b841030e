import type { SaidBeforeRun } from '$lib/contract/practice';
import { saidOfRun } from '../../repository/practice.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps } from '../deps.ts';

/** What was expected before a run was read; it came in with the reading. */
export const saidBeforeRun = (deps: Deps, scope: SiteScope, runId: string): Promise<SaidBeforeRun | null> =>
	saidOfRun(deps.db, scope, runId);
