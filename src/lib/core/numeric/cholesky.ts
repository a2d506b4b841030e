/** Rows of numbers; every row has the same length. */
export type Matrix = readonly (readonly number[])[];

/** Lower triangle L with L·Lᵀ = a. @throws {RangeError} when a is not positive definite */
function decompose(a: Matrix): number[][] {
	const size = a.length;
	const lower = Array.from({ length: size }, () => new Array<number>(size).fill(0));
	for (let i = 0; i < size; i++) {
		for (let j = 0; j <= i; j++) {
			let sum = a[i]![j]!;
			for (let k = 0; k < j; k++) sum -= lower[i]![k]! * lower[j]![k]!;
			if (i !== j) {
				lower[i]![j] = sum / lower[j]![j]!;
			} else if (sum > 0) {
				lower[i]![i] = Math.sqrt(sum);
			} else {
				throw new RangeError(`matrix is not positive definite at row ${i} (pivot ${sum})`);
			}
		}
	}
	return lower;
}

function substitute(lower: Matrix, b: readonly number[]): number[] {
	const size = lower.length;
	const y: number[] = [];
	for (let i = 0; i < size; i++) {
		let sum = b[i]!;
		for (let k = 0; k < i; k++) sum -= lower[i]![k]! * y[k]!;
		y.push(sum / lower[i]![i]!);
	}
	const x = new Array<number>(size).fill(0);
	for (let i = size - 1; i >= 0; i--) {
		let sum = y[i]!;
		for (let k = i + 1; k < size; k++) sum -= lower[k]![i]! * x[k]!;
		x[i] = sum / lower[i]![i]!;
	}
	return x;
}

/** Solves a·x = b for a symmetric positive definite a. @throws {RangeError} when a is not */
export function solvePositiveDefinite(a: Matrix, b: readonly number[]): number[] {
	return substitute(decompose(a), b);
}

/** Inverse of a symmetric positive definite matrix. @throws {RangeError} when it is not */
export function invertPositiveDefinite(a: Matrix): number[][] {
	const lower = decompose(a);
	return a.map((_, i) =>
		substitute(
			lower,
			a.map((_row, j) => (i === j ? 1 : 0))
		)
	);
}
