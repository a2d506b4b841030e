import type { ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import type { Instant } from '$lib/core/time';
import type { OpenWater } from '$lib/server/service/water/open-water';

/** The site's tap, with what was last read of it. */
export interface SiteSource {
	readonly id: string;
	readonly name: string;
	readonly lastReadAt: Instant | null;
	readonly read: ReadonlyMap<ParameterId, TestResult>;
}

/** The first source water of a site that is in use, as it was last read; null where there is none. */
export async function sourceOfSite(locals: App.Locals, { scope }: OpenWater): Promise<SiteSource | null> {
	const source = (await locals.services.water.readWaters(scope)).find(
		(w) => w.kind === 'source' && w.endedAt === null
	);
	const open = source && (await locals.openWater(source.id));
	if (!open) return null;
	const { stands, lastReadAt } = await locals.services.ask('day', open);
	return {
		id: open.water.id,
		name: open.water.name,
		lastReadAt,
		read: new Map(stands.map(({ parameter, last }) => [parameter, last]))
	};
}
