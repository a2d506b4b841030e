import { randomBytes } from 'node:crypto';
import type { GiveSheet, RevokeSheet, SheetSeen, SheetWords } from '$lib/contract/sheet';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays } from '$lib/core/time';
import { digestOf } from '../../digest.ts';
import { isDuplicate } from '../../repository/database.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { addSheet, revokeSheetRow, sheetByToken, sheetsOf } from '../../repository/sheet.ts';
import type { PooledDeps } from '../deps.ts';
import { once, transact } from '../once.ts';
import { noted } from '../people/note-deed.ts';

/** Hands a visitor a sheet by a link: kept as it was said, so that what they hold stays what they were told. */
export async function giveSheet(
	deps: PooledDeps,
	scope: ScopeFor<'share'>,
	{ id, waterId, forWhom, days }: GiveSheet,
	words: SheetWords
): Promise<Result<{ readonly token: string }>> {
	const token = randomBytes(32).toString('base64url');
	const now = deps.clock.now();
	const whom = forWhom.trim();
	// Not by `once`: the token must not be kept with the receipt. Sent twice, the second is refused by its id.
	try {
		await transact(deps, scope.siteId, async (tx, within) => {
			within.touch('nothing');
			await addSheet(tx, scope, {
				...{ id, waterId, words, forWhom: whom },
				tokenDigest: digestOf(token),
				createdAt: now,
				expiresAt: addDays(now, days)
			});
			await noted(within, scope, { kind: 'sheet-given', whom, water: words.water });
		});
	} catch (error) {
		if (isDuplicate(error)) return fail('id-taken', 'id');
		throw error;
	}
	return ok({ token });
}

/** Takes a sheet back: its link opens nothing any more. */
export async function takeSheetBack(
	deps: PooledDeps,
	scope: ScopeFor<'share'>,
	command: RevokeSheet
): Promise<Result<{ readonly sheetId: string }>> {
	return once(deps, scope, 'revoke-sheet', command, async (tx, within) => {
		within.touch('nothing');
		const row = await revokeSheetRow(tx, scope, command.sheetId, within.clock.now());
		if (!row) return fail('unknown-item', 'sheetId');
		await noted(within, scope, { kind: 'sheet-revoked', whom: row.forWhom, water: row.words.water });
		return ok({ sheetId: command.sheetId });
	});
}

/** What was handed out of a water so far. */
export async function readSheets(
	{ db }: PooledDeps,
	scope: SiteScope,
	waterId: string
): Promise<readonly SheetSeen[]> {
	const rows = await sheetsOf(db, scope, waterId);
	return rows.map(({ revokedAt, ...row }) => ({ ...row, revoked: revokedAt !== null }));
}

/** What somebody was handed, by its link; null where it was taken back, or its time is over. */
export async function readSheet({ db, clock }: PooledDeps, token: string): Promise<SheetWords | null> {
	return sheetByToken(db, digestOf(token), clock.now());
}
