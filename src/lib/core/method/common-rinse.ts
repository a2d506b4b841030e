import type { ProtocolStep } from './protocol.ts';

/** The rinsing that most tests begin with. */
export const COMMON_RINSE = 'Rinse the vial with purified water, then with the water to be tested';

/** True of the rinsing that all tests share: of all vials, with purified water and then with the sample. */
export function isCommonRinse({ action, say }: Pick<ProtocolStep, 'action' | 'say'>): boolean {
	return action.kind === 'prepare' && action.of === undefined && say === COMMON_RINSE;
}
