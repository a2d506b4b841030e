/** Outcomes that are expected to go wrong now and then, returned instead of thrown. */
export { ok, fail, type Result } from './outcome.ts';
export { ownIn } from './own.ts';
export { type Fault, type FaultCode } from './fault.ts';
