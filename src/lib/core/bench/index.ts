/** Running a protocol: progress is a pure function of the steps and an append-only log. */
export { progressOf, admit, type BenchEntry, type Progress, type Deviation } from './progress.ts';
