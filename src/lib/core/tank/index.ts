/** A simulated water and a simulated keeper, for demo data and as a truth that tests know. */
export {
	simulateWater,
	type Moment,
	type SimulatedReading,
	type TrueState,
	type WaterHistory,
	type WaterScript
} from './simulate-water.ts';
export { type Levels } from './levels.ts';
export { CALM_READER, readBy, type SimulatedReader } from './reader.ts';
export { ordinaryLife, type LifeOptions, type OrdinaryLife } from './life/ordinary-life.ts';
export { TANK_KINDS, type TankKind } from './natures.ts';
export { biasAt, shareTold, stopOf, type PractisingReader } from './practising.ts';
