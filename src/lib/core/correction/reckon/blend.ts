import { hardnessWay, type HardnessWay } from '../exchange/fresh.ts';
import { blend } from '../exchange/salinity.ts';

/** Hardness in degrees, litres; null where nothing was typed. */
export interface BlendWish {
	readonly tapKh: number | null;
	readonly tapGh: number | null;
	readonly pureKh: number;
	readonly kh: number | null;
	readonly gh: number | null;
	readonly litres: number | null;
	readonly nowKh: number | null;
	readonly nowGh: number | null;
}

export interface BlendReckoned {
	/** Null where too little was typed. */
	readonly mixed: ReturnType<typeof blend> | null;
	/** What the blend holds of general hardness, dGH. */
	readonly mixedGh: number | null;
	readonly way: HardnessWay | null;
}

/** New water of a hardness from tap and purified water, and what the present water takes to get there. */
export function reckonBlend({
	tapKh,
	tapGh,
	pureKh,
	kh,
	gh,
	litres,
	nowKh,
	nowGh
}: BlendWish): BlendReckoned {
	const canMix = tapKh !== null && kh !== null && litres !== null && litres > 0 && tapKh !== pureKh;
	const mixed = canMix ? blend(tapKh, pureKh, kh, litres) : null;
	const canRaise =
		nowKh !== null && nowGh !== null && kh !== null && gh !== null && litres !== null && litres > 0;
	return {
		mixed,
		mixedGh: mixed?.possible && tapGh !== null ? mixed.firstShare * tapGh : null,
		way: canRaise ? hardnessWay({ kh: nowKh, gh: nowGh }, { kh, gh }, litres) : null
	};
}
