import type { TableDoubt } from '$lib/core/method';
import { plain } from '../number.ts';

/** What looks like a slip in a typed table, with the row as a person counts it. */
export function tableDoubtWords(doubt: TableDoubt, points: readonly (readonly [number, number])[]): string {
	const [x, y] = points[doubt.row]!;
	const row = `Row ${doubt.row + 1}, ${plain(x)} → ${plain(y)}`;
	switch (doubt.kind) {
		case 'order':
			return doubt.of === 'reading'
				? `${row}: the readings turn round here. Is a row in the wrong place?`
				: `${row}: the results turn round here. Is a digit wrong?`;
		case 'gap':
			return `Before row ${doubt.row + 1}, ${plain(x)}: the readings jump by ${plain(doubt.step)} instead of ${plain(doubt.usual)}. Is a row missing?`;
		case 'step':
			return `${row}: its neighbours would put it near ${plain(Number(doubt.expected.toPrecision(3)))}. Have digits changed places?`;
	}
}
