/**
 * What stands in a table under a word that came from outside. Such a word may be the name of something that every object
 * has by itself ("toString", "constructor"), which no table was made to answer.
 */
export function ownIn<V>(table: Readonly<Record<string, V>>, word: string): V | undefined {
	return Object.hasOwn(table, word) ? table[word] : undefined;
}
