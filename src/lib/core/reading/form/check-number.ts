import { atLeast, atMost } from '../../numeric/index.ts';
import type { Fault } from '../../result/index.ts';

export interface Scale {
	readonly least: number;
	readonly most: number;
	/** The finest that can be read on it; left out where any number can stand. */
	readonly finest?: number;
	readonly unit: string;
}

/** Why a number cannot have been read on a scale; null when it can. */
export function faultOnScale(value: unknown, field: string, scale: Scale): Fault | null {
	if (typeof value !== 'number' || !Number.isFinite(value)) return { code: 'not-a-number', field };
	const { least, most, finest, unit } = scale;
	if (value < 0 && least >= 0) return { code: 'below-zero', field };
	if (!atLeast(value, least) || !atMost(value, most)) {
		return { code: 'beyond-scale', field, details: { least, most, unit } };
	}
	if (finest !== undefined) {
		const steps = value / finest;
		if (Math.abs(steps - Math.round(steps)) > 1e-6) {
			return { code: 'finer-than-marks', field, details: { finest, unit } };
		}
	}
	return null;
}
