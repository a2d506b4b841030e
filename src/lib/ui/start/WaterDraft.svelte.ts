import { CM_PER_INCH, ROCKWORK_IDS, volumeOfGlass, type RockworkId } from '$lib/core/balance';
import { GUESSED_VOLUME_U, KNOWN_VOLUME_U } from '$lib/core/correction';
import { isProfileId, type ProfileId } from '$lib/core/judgement';
import { typedNumber } from '$lib/core/numeric';
import { convert } from '$lib/core/quantity';
import { addDays, type Instant } from '$lib/core/time';
import { RUNS, type Outset } from '$lib/format/start/outset';
import { reader } from '$lib/format/reader';
import { inReadersUnit, READERS_UNIT } from '$lib/format/volume';

export type KnownBy = 'glass' | 'litres';

/** What was typed in the unit that volumes are shown in. */
const inLitres = (typed: number) => convert(typed, READERS_UNIT[reader().volumes], 'litre');

const TEXTS = ['profile', 'long', 'deep', 'filled', 'rock', 'how', 'runs'] as const;
const VOLUMES = ['sump', 'litres'] as const;

/** A water while it is told of, and how much it holds by what was typed so far. */
export class WaterDraft {
	profile = $state('');
	by = $state<KnownBy>('glass');
	long = $state('');
	deep = $state('');
	filled = $state('');
	rock = $state<string>('unknown');
	sump = $state('');
	litres = $state('');
	how = $state('guessed');
	empty = $state(false);
	runs = $state('');

	constructor(entered: Readonly<Record<string, string>> = {}) {
		for (const name of TEXTS) this[name] = entered[name] ?? this[name];
		// What was sent was turned into litres; it is shown as its reader has it.
		for (const name of VOLUMES) this[name] = inReadersUnit(entered[name] ?? '');
		if (this.litres) this.by = 'litres';
		this.empty = entered.empty !== undefined;
	}

	readonly known: ProfileId | null = $derived(isProfileId(this.profile) ? this.profile : null);
	/** What is known of it before anything was read; null as long as nobody said what it is. */
	outsetAt(now: Instant): Outset | null {
		const days = RUNS.find((r) => r.value === this.runs)?.days ?? 0;
		return this.known && { profile: this.known, startedAt: addDays(now, -days), animals: !this.empty, now };
	}
	/** US readers measure in inches. */
	get lengths(): 'cm' | 'inch' {
		return reader().volumes === 'us-gallons' ? 'inch' : 'cm';
	}

	/** Litres, and their standard uncertainty; null as long as it does not follow. */
	readonly volume: { readonly value: number; readonly u: number } | null = $derived.by(() => {
		const number = (text: string) => {
			const value = typedNumber(text);
			return value !== null && Number.isFinite(value) ? value : null;
		};
		if (this.by === 'litres') {
			const typed = number(this.litres);
			if (typed === null || typed <= 0) return null;
			const value = inLitres(typed);
			return { value, u: value * (this.how === 'measured' ? KNOWN_VOLUME_U : GUESSED_VOLUME_U) };
		}
		const sides = [this.long, this.deep, this.filled].map(number);
		if (sides.some((side) => side === null || side <= 0)) return null;
		const sumpL = inLitres(number(this.sump) ?? 0);
		if (sumpL < 0) return null;
		const [longCm, deepCm, filledToCm] = sides.map((s) => s! * (this.lengths === 'inch' ? CM_PER_INCH : 1));
		const rockwork: RockworkId = ROCKWORK_IDS.find((id) => id === this.rock) ?? 'unknown';
		return volumeOfGlass({ longCm: longCm!, deepCm: deepCm!, filledToCm: filledToCm!, rockwork, sumpL });
	});
}
