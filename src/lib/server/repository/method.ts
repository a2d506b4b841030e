import { and, eq } from 'drizzle-orm';
import type { SyringeMethod } from '$lib/core/method';
import { methodVersion, siteMethod } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

export interface AdoptedMethod {
	readonly siteMethodId: string;
	readonly method: SyringeMethod;
}

/** The site's adopted version of a method; null when the site never took it in. */
export async function adoptedMethod(
	db: Reader,
	scope: SiteScope,
	code: string,
	version: number
): Promise<AdoptedMethod | null> {
	const rows = await db
		.select({ siteMethodId: siteMethod.id, method: methodVersion.definition })
		.from(siteMethod)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.where(
			and(
				eq(siteMethod.siteId, scope.siteId),
				eq(methodVersion.code, code),
				eq(methodVersion.version, version)
			)
		);
	return rows[0] ?? null;
}

export async function adoptedMethods(db: Reader, scope: SiteScope): Promise<AdoptedMethod[]> {
	return db
		.select({ siteMethodId: siteMethod.id, method: methodVersion.definition })
		.from(siteMethod)
		.innerJoin(methodVersion, eq(methodVersion.id, siteMethod.methodVersionId))
		.where(eq(siteMethod.siteId, scope.siteId))
		.orderBy(methodVersion.code);
}
