import { and, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { Method } from '$lib/core/method';
import type { Instant } from '$lib/core/time';
import { methodVersion, site, siteMethod } from '../db/schema/index.ts';
import { digestOf } from '../digest.ts';
import type { Reader } from './database.ts';
import { methodsByHash } from './parsed-method.ts';
import type { SiteScope } from './scope.ts';

export interface AdoptedMethod {
	readonly siteMethodId: string;
	readonly method: Method;
	/** Written at this site, not shipped. */
	readonly own: boolean;
}

const columns = {
	siteMethodId: siteMethod.id,
	contentHash: methodVersion.contentHash,
	ownerSiteId: methodVersion.ownerSiteId
};

interface AdoptedRow {
	readonly siteMethodId: string;
	readonly contentHash: string;
	readonly ownerSiteId: string | null;
}

async function adoptedOf(db: Reader, rows: readonly AdoptedRow[]): Promise<AdoptedMethod[]> {
	const methodOf = await methodsByHash(
		db,
		rows.map((r) => r.contentHash)
	);
	return rows.map(({ siteMethodId, contentHash, ownerSiteId }) => ({
		siteMethodId,
		method: methodOf(contentHash),
		own: ownerSiteId !== null
	}));
}

function adopted(db: Reader) {
	return db
		.select(columns)
		.from(siteMethod)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId));
}

/** The site's adopted version of a method; null when the site never took it in. */
export async function adoptedMethod(
	db: Reader,
	scope: SiteScope,
	code: string,
	version: number
): Promise<AdoptedMethod | null> {
	const rows = await adopted(db).where(
		and(eq(siteMethod.siteId, scope.siteId), eq(methodVersion.code, code), eq(methodVersion.version, version))
	);
	const [found] = await adoptedOf(db, rows.slice(0, 1));
	return found ?? null;
}

/** Versions that the site took in, by their ids. */
export async function adoptedByIds(
	db: Reader,
	scope: SiteScope,
	siteMethodIds: readonly string[]
): Promise<Map<string, AdoptedMethod>> {
	if (siteMethodIds.length === 0) return new Map();
	const rows = await adopted(db).where(
		and(eq(siteMethod.siteId, scope.siteId), inArray(siteMethod.id, [...siteMethodIds]))
	);
	return new Map((await adoptedOf(db, rows)).map((adopted) => [adopted.siteMethodId, adopted]));
}

/** The code of every version that the site took in, by the site's own id of it. */
export async function methodCodes(db: Reader, scope: SiteScope): Promise<ReadonlyMap<string, string>> {
	const rows = await db
		.select({ id: siteMethod.id, code: methodVersion.code })
		.from(siteMethod)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.where(eq(siteMethod.siteId, scope.siteId));
	return new Map(rows.map((r) => [r.id, r.code]));
}

/** Every version of one method that the site took in, newest first. */
export async function versionsOf(db: Reader, scope: SiteScope, code: string): Promise<AdoptedMethod[]> {
	const rows = await adopted(db)
		.where(and(eq(siteMethod.siteId, scope.siteId), eq(methodVersion.code, code)))
		.orderBy(desc(methodVersion.version));
	return adoptedOf(db, rows);
}

/** The newest adopted version of every method. */
export async function adoptedMethods(db: Reader, scope: SiteScope): Promise<AdoptedMethod[]> {
	const rows = await adopted(db)
		.where(and(eq(siteMethod.siteId, scope.siteId), isNull(siteMethod.leftAt)))
		.orderBy(methodVersion.code, desc(methodVersion.version));
	const newest = new Map<string, AdoptedMethod>();
	for (const adopted of await adoptedOf(db, rows)) {
		const { code } = adopted.method;
		if (!newest.has(code)) newest.set(code, adopted);
	}
	return [...newest.values()];
}

/** Every version of every method that the site ever took in. */
export async function allAdoptedMethods(db: Reader, scope: SiteScope): Promise<AdoptedMethod[]> {
	return adoptedOf(db, await adopted(db).where(eq(siteMethod.siteId, scope.siteId)));
}

/** Makes sure that a method version is there, unchanged, and gives its id. */
export async function ensureMethodVersion(
	db: Reader,
	method: Method,
	row: { readonly newId: string; readonly now: Instant; readonly ownerSiteId: string | null }
): Promise<string> {
	const contentHash = digestOf(JSON.stringify(method));
	const [found] = await db
		.select({ id: methodVersion.id, contentHash: methodVersion.contentHash })
		.from(methodVersion)
		.where(and(eq(methodVersion.code, method.code), eq(methodVersion.version, method.version)));
	if (!found) {
		await db.insert(methodVersion).values({
			id: row.newId,
			ownerSiteId: row.ownerSiteId,
			code: method.code,
			version: method.version,
			contentHash,
			definition: method,
			createdAt: row.now
		});
		return row.newId;
	}
	if (found.contentHash !== contentHash) {
		throw new Error(
			`${method.code} version ${method.version} is stored with other content; raise its version`
		);
	}
	return found.id;
}

/** Takes a version in at a site; taking it in twice is taking it in once. Tells whether it was new there. */
export async function adoptMethod(
	db: Reader,
	row: { siteId: string; id: string; methodVersionId: string; adoptedAt: Instant }
): Promise<boolean> {
	const own = and(eq(siteMethod.siteId, row.siteId), eq(siteMethod.methodVersionId, row.methodVersionId));
	const [known] = await db.select({ leftAt: siteMethod.leftAt }).from(siteMethod).where(own);
	if (known) {
		if (known.leftAt !== null) await db.update(siteMethod).set({ leftAt: null }).where(own);
		return known.leftAt !== null;
	}
	await db.insert(siteMethod).values(row);
	return true;
}

/** Does not offer any version of a method any more; what was read by it keeps it. */
export async function leaveMethod(db: Reader, scope: SiteScope, code: string, at: Instant): Promise<void> {
	const versions = db
		.select({ id: methodVersion.id })
		.from(methodVersion)
		.where(eq(methodVersion.code, code));
	await db
		.update(siteMethod)
		.set({ leftAt: at })
		.where(
			and(
				eq(siteMethod.siteId, scope.siteId),
				isNull(siteMethod.leftAt),
				inArray(siteMethod.methodVersionId, versions)
			)
		);
}

/** Every site, and whether it has all shipped kits or those that its people chose. */
export async function takingSites(
	db: Reader
): Promise<{ readonly id: string; readonly takesShipped: 'all' | 'chosen' }[]> {
	return db.select({ id: site.id, takesShipped: site.takesShipped }).from(site);
}

export async function takesShipped(db: Reader, scope: SiteScope): Promise<'all' | 'chosen'> {
	const [found] = await db.select({ takes: site.takesShipped }).from(site).where(eq(site.id, scope.siteId));
	return found?.takes ?? 'all';
}

/** Codes of all methods that a site offers. */
export async function offeredCodes(db: Reader, siteId: string): Promise<ReadonlySet<string>> {
	const rows = await db
		.selectDistinct({ code: methodVersion.code })
		.from(siteMethod)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.where(and(eq(siteMethod.siteId, siteId), isNull(siteMethod.leftAt)));
	return new Set(rows.map((r) => r.code));
}
