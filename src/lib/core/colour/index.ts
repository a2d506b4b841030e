/** Colours as the eye tells them apart. */
export { colourDifference, toldApart } from './difference.ts';
