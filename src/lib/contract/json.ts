declare const OF: unique symbol;

/**
 * A value as its JSON. A page's data goes to the browser as one word instead of object by object, which costs whoever
 * answers several times as much. It may hold what JSON can say: no `NaN`, no infinity.
 */
export type Json<T> = string & { readonly [OF]?: T };

export function toJson<T>(value: T): Json<T> {
	return JSON.stringify(value);
}

export function fromJson<T>(json: Json<T>): T {
	return JSON.parse(json) as T;
}
