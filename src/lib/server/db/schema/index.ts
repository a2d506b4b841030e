export { person, membership, signInSession } from './people.ts';
export { site, water, waterVolume, waterProfile, target } from './site.ts';
export { methodVersion, siteMethod, lot, instrument, kitCheck } from './method.ts';
export {
	sample,
	benchSession,
	testRun,
	runLot,
	runInstrument,
	rawReading,
	result,
	slipAnswer,
	attachment
} from './test.ts';
export { event } from './event.ts';
export { commandReceipt } from './receipt.ts';
