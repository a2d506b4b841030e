import type { Method } from '../core/method';

type WithMethod<T> = Extract<T, { readonly method: Method }>;
type Without<T> = Exclude<T, { readonly method: Method }>;

/** A page of a log as it travels: each method once, where sixty readings stand on some few of them. */
export interface PackedLog<T> {
	readonly methods: readonly Method[];
	readonly entries: readonly (
		(Omit<WithMethod<T>, 'method' | 'derivedBy'> & { readonly method: number }) | Without<T>
	)[];
}

/** What a view of the log has no use for stays behind: by which method a kept result was derived. */
export function packed<T extends object>(entries: readonly T[]): PackedLog<T> {
	const places = new Map<Method, number>();
	const placeOf = (method: Method) => {
		const place = places.get(method) ?? places.size;
		places.set(method, place);
		return place;
	};
	return {
		entries: entries.map((entry) => {
			if (!('method' in entry)) return entry as Without<T>;
			const { derivedBy: _, method, ...rest } = entry as WithMethod<T> & { readonly derivedBy?: unknown };
			return { ...rest, method: placeOf(method) };
		}),
		methods: [...places.keys()]
	};
}

export function unpacked<T extends object>({
	methods,
	entries
}: PackedLog<T>): (Omit<WithMethod<T>, 'derivedBy'> | Without<T>)[] {
	return entries.map((entry: object) =>
		'method' in entry ? { ...entry, method: methods[Number(entry.method)] } : entry
	) as (Omit<WithMethod<T>, 'derivedBy'> | Without<T>)[];
}
