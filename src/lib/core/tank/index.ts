/** A simulated tank and a simulated keeper, for demo data and as a truth that tests know. */
export {
	simulateReef,
	type ReefScript,
	type ReefHistory,
	type TrueState,
	type SimulatedReading
} from './reef.ts';
export { readBySyringe, type SyringeReader } from './syringe-reader.ts';
