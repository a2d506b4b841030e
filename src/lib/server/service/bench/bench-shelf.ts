import type { BenchAnswer, BenchKit } from '$lib/contract/bench';
import type { ShelfHabits } from '$lib/contract/shelf-view';
import { parametersOf } from '$lib/core/method';
import type { SiteScope } from '../../repository/scope.ts';
import type { Deps } from '../deps.ts';
import { knownKit, partOf } from '../reading/run-kit.ts';
import { shelfRecords, thingsOf } from '../shelf/shelf-state.ts';

/** What of the shelf can be tested with, or tested, now. */
export async function benchShelf(
	deps: Deps,
	scope: SiteScope,
	habits: ShelfHabits
): Promise<Pick<BenchAnswer, 'kits' | 'standards'>> {
	const records = await shelfRecords(deps, scope);
	const now = deps.clock.now();
	const { items } = records;
	const supplyOf = new Map(thingsOf(records, now, habits).map((t) => [t.id, t.supply]));
	const parts = new Map(items.map(({ id }) => [id, partOf(id, records)]));
	const kits: (BenchKit & { readonly openedAt: number })[] = [];
	for (const { id, kind, name, lotCode, method, receivedAt } of items) {
		const part = parts.get(id);
		if (!part || !method || part.state.retiredAt !== null) continue;
		if (kind === 'kit' && part.state.openedAt === null) continue;
		const { droppers, corrections } = knownKit(method, [part], now, undefined);
		const { openedAt } = part.state;
		kits.push({
			id,
			name,
			lotCode,
			methodCode: method.code,
			parameters: parametersOf(method),
			boxComplete: kind === 'kit' ? (part.state.box?.complete ?? null) : true,
			goodUntil: supplyOf.get(id)?.goodUntil ?? null,
			testsLeft: supplyOf.get(id)?.testsLeft?.tests ?? null,
			droppers,
			corrections,
			openedAt: openedAt ?? receivedAt
		});
	}
	return {
		kits: kits.sort((a, b) => b.openedAt - a.openedAt).map(({ openedAt: _, ...kit }) => kit),
		standards: items
			.filter((i) => i.kind === 'standard' && parts.get(i.id)?.state.retiredAt === null)
			.map(({ id, name, details }) => ({ id, name, contents: details.contents }))
	};
}
