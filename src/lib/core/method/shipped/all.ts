import type { SyringeMethod } from '../syringe-method.ts';
import { ALK_SYRINGE } from './alk-syringe.ts';
import { CA_SYRINGE } from './ca-syringe.ts';

/** Generic methods, named by what they do; their numbers follow from their chemistry. */
export const SHIPPED_METHODS: readonly SyringeMethod[] = [ALK_SYRINGE, CA_SYRINGE];

export function methodByCode(code: string): SyringeMethod | null {
	return SHIPPED_METHODS.find((m) => m.code === code) ?? null;
}
