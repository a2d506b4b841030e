import { describe, expect, it } from 'vitest';
import { granted } from '$lib/core/access';
import type { ScopeFor, SiteScope } from '../repository/scope.ts';
import type { PooledDeps } from './deps.ts';
import { once } from './once.ts';
import { setTarget } from './water/set-target.ts';

/** Never called: that it compiles, or does not, is what is tried. */
export function neverCalled(deps: PooledDeps, scope: SiteScope, tester: ScopeFor<'test'>) {
	const command = { id: '' } as Parameters<typeof setTarget>[2];
	return [
		// @ts-expect-error a right that nothing was granted to opens no door
		() => once(deps, scope, 'x', command, () => Promise.reject(new Error())),
		// @ts-expect-error nor does it reach a use case that asks for a permission
		() => setTarget(deps, scope, command),
		// @ts-expect-error and another permission is not that one
		() => setTarget(deps, tester, command),
		// @ts-expect-error a permission is not made out of words
		(): ScopeFor<'decide'> => ({ ...scope, decide: true }),
		() => {
			const allowed = granted(scope, 'decide');
			return allowed.ok ? setTarget(deps, allowed.value, command) : allowed;
		}
	];
}

describe('a permission', () => {
	it('is asked for where it is compiled: a check that is missing is no program', () => {
		expect(neverCalled).toBeTypeOf('function');
	});
});
