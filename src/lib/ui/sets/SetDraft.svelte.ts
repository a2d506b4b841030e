import type { SetTest, TestSet } from '$lib/core/bench';
import type { ParameterId } from '$lib/core/quantity';

/** A way of testing that a set can hold. */
export interface SetMethod {
	readonly code: string;
	readonly name: string;
	readonly parameter: ParameterId;
	readonly hasHalf: boolean;
}

export interface SetRow extends SetTest {
	readonly key: number;
}

/** The tests of a set while it is put together. */
export class SetDraft {
	#next = 0;
	rows = $state.raw<readonly SetRow[]>([]);

	constructor(set: TestSet | null) {
		this.rows = (set?.tests ?? []).map((t) => ({ ...t, key: this.#next++ }));
	}
	add(waterId: string, methodCode: string): void {
		this.rows = [...this.rows, { waterId, methodCode, portion: 'full', times: 1, key: this.#next++ }];
	}
	change(key: number, change: Partial<SetTest>): void {
		this.rows = this.rows.map((r) => (r.key === key ? { ...r, ...change } : r));
	}
	remove(key: number): void {
		this.rows = this.rows.filter((r) => r.key !== key);
	}
	/** @param to where it stands then; beyond the ends nothing moves */
	move(from: number, to: number): void {
		if (to < 0 || to >= this.rows.length) return;
		const rows = [...this.rows];
		const [moved] = rows.splice(from, 1);
		rows.splice(to, 0, moved!);
		this.rows = rows;
	}
}
