import type { Method } from '$lib/core/method';
import { adoptedMethods, versionsOf } from '../../repository/method.ts';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps } from '../deps.ts';

export interface ListedMethod {
	readonly method: Method;
	readonly own: boolean;
}

/** Every method of the site in its newest version, values from elsewhere left out: nobody runs them. */
export async function readMethods(deps: Deps, scope: SiteScope): Promise<readonly ListedMethod[]> {
	const all = await adoptedMethods(deps.db, scope);
	return all.filter(({ method }) => method.kind !== 'stated').map(({ method, own }) => ({ method, own }));
}

/** One method with the numbers of its versions, newest first; null when the site has none of that code. */
export async function readMethod(
	deps: Deps,
	scope: SiteScope,
	code: string
): Promise<(ListedMethod & { readonly versions: readonly number[] }) | null> {
	const versions = await versionsOf(deps.db, scope, code);
	const [newest] = versions;
	return newest
		? { method: newest.method, own: newest.own, versions: versions.map((v) => v.method.version) }
		: null;
}
