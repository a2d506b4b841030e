/** Colours as the eye tells them apart. */
export { colourDifference, toldApart } from './difference.ts';
export { seenBy, VISIONS, type Vision } from './vision.ts';
