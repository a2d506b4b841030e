/** Numbers without a unit: distributions, roots, linear algebra, seeded chance. */
export { normalCdf, normalDensity, normalLogDensity } from './normal.ts';
export { normalQuantile, studentQuantile, chiSquaredQuantile } from './quantiles.ts';
export { bisect } from './roots.ts';
export { solvePositiveDefinite, invertPositiveDefinite, type Matrix } from './cholesky.ts';
export { fitLinearModel, type LinearModel, type LinearFit } from './linear-model.ts';
export { seededRandom, normalDeviate, type Random } from './random.ts';
export { nearlyEqual, atMost, atLeast, roundTo } from './guard.ts';
export { truncatedNormal, type TruncatedMoments } from './truncated-normal.ts';
export { median } from './median.ts';
export { firstFrom, nearestIndex, visibleIndices } from './visible.ts';
export { typedNumber } from './typed-number.ts';
export { polynomial } from './polynomial.ts';
