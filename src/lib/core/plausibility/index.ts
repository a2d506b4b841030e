/** Does a reading fit what the water was expected to be, and which slip would explain it better? */
export { weighSyringeReading, type SlipKind, type SlipCandidate, type SlipAssessment } from './slips.ts';
