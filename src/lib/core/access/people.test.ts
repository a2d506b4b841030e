import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, fromIso, type Instant } from '../time/index.ts';
import {
	afterFailure,
	chosenSince,
	keepsOwner,
	may,
	pausedUntil,
	PERMISSIONS,
	readsAtPlace,
	roleAtPlace,
	ROLES,
	standing,
	type MemberState
} from './index.ts';

const NOW = fromIso('2026-11-20T12:00:00Z');
const minutes = (n: number) => addDays(NOW, n / 1440);

describe('an invitation', () => {
	const open = { expiresAt: addDays(NOW, 1), usedAt: null, revokedAt: null };
	it('stands while it was neither used nor taken back, and until its time is over', () => {
		expect(standing(open, NOW).ok).toBe(true);
		expect(standing({ ...open, usedAt: NOW }, NOW)).toMatchObject({ fault: { details: { why: 'used' } } });
		expect(standing({ ...open, revokedAt: NOW }, NOW)).toMatchObject({
			fault: { details: { why: 'revoked' } }
		});
		expect(standing(open, open.expiresAt)).toMatchObject({ fault: { details: { why: 'late' } } });
	});
});

describe('a site', () => {
	const member = fc.record({
		id: fc.uuid(),
		role: fc.constantFrom(...ROLES),
		untilAt: fc.constantFrom(null, addDays(NOW, 3))
	});
	const forGood = (m: Pick<MemberState, 'role' | 'untilAt'>) => m.role === 'owner' && m.untilAt === null;

	it('keeps an owner for good, whoever becomes what', () => {
		fc.assert(
			fc.property(
				fc.uniqueArray(member, { minLength: 1, maxLength: 6, selector: (m) => m.id }),
				fc.nat(5),
				fc.option(member),
				(members, at, after) => {
					const one = members[at % members.length]!;
					const then = members.flatMap((m) => (m !== one ? [m] : after ? [{ ...after, id: m.id }] : []));
					expect(keepsOwner(members, one.id, after)).toBe(then.some(forGood));
				}
			)
		);
	});
	it('is not left to an owner whose time ends', () => {
		const members: MemberState[] = [{ id: 'a', role: 'owner', untilAt: null }];
		expect(keepsOwner(members, 'a', { role: 'owner', untilAt: addDays(NOW, 1) })).toBe(false);
		expect(keepsOwner(members, 'a', { role: 'owner', untilAt: null })).toBe(true);
	});
});

describe('at a place', () => {
	it('nobody may do more than a helper, and nobody more than elsewhere', () => {
		for (const role of ROLES) {
			for (const what of PERMISSIONS) {
				expect(may(roleAtPlace(role), what)).toBe(may(role, what) && may('helper', what));
			}
		}
		expect(ROLES.filter(readsAtPlace)).toEqual(['owner', 'keeper', 'helper']);
	});
	it('a choice of who reads holds for some hours', () => {
		expect(chosenSince(NOW)).toBe(addDays(NOW, -4 / 24));
	});
});

describe('tries that fail', () => {
	const after = (n: number) => {
		let tries = afterFailure(null, NOW);
		for (let i = 1; i < n; i++) tries = afterFailure(tries, NOW);
		return tries;
	};
	it('cost nothing at first, then twice as long each, up to an hour', () => {
		expect([1, 4].map((n) => pausedUntil(after(n)))).toEqual([null, null]);
		const pauses = [5, 6, 7, 8, 11, 12, 40].map((n) => (pausedUntil(after(n))! - NOW) / 60_000);
		expect(pauses).toEqual([1, 2, 4, 8, 60, 60, 60]);
		expect(pausedUntil(after(20), 30)).toBeNull();
	});
	it('are forgotten after a day', () => {
		expect(afterFailure(after(12), minutes(24 * 60))).toEqual({ failures: 1, lastAt: minutes(24 * 60) });
		expect(afterFailure(after(12), minutes(24 * 60 - 1)).failures).toBe(13);
	});
	it('at the pace that is left let a thousand guesses take weeks', () => {
		let [now, tries]: [Instant, ReturnType<typeof afterFailure> | null] = [NOW, null];
		for (let i = 0; i < 1000; i++) {
			const until = tries && pausedUntil(tries);
			if (until !== null && until > now) now = until;
			tries = afterFailure(tries, now);
		}
		expect((now - NOW) / 86_400_000).toBeGreaterThan(40);
	});
});
