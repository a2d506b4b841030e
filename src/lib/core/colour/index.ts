/** Colours as the eye tells them apart. */
export { colourDifference } from './difference.ts';
