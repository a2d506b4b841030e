/** Properties of sea water. */
export { densityOf } from './density.ts';
export { micromolesPerKgFromMeqPerL } from './per-mass.ts';
