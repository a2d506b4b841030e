/** Asks once for each key; later callers get the same promise. */
export function once<T>(ask: (key: string) => Promise<T>): (key: string) => Promise<T> {
	const asked = new Map<string, Promise<T>>();
	return (key) => {
		let answer = asked.get(key);
		if (!answer) {
			answer = ask(key);
			asked.set(key, answer);
		}
		return answer;
	};
}
