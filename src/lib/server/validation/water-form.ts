import { AddWater, KnownVolume, Lights } from '$lib/contract/water';
import { RUNS_SINCE_DAYS, WATER_KINDS } from '$lib/contract/choices';
import { CM_PER_INCH, ROCKWORK_IDS, volumeOfGlass } from '$lib/core/balance';
import { GUESSED_VOLUME_U, KNOWN_VOLUME_U } from '$lib/core/correction';
import { PROFILE_IDS, type ProfileId } from '$lib/core/judgement';
import { fail, ok, type Result } from '$lib/core/result';
import { addDays, minuteOfTime, typedTime, type Instant } from '$lib/core/time';
import { numberIn, typedText, wordIn } from './form.ts';
import { typedInstant } from './typed-instant.ts';
import { validate } from './validator.ts';

const SIDES = ['long', 'deep', 'filled'] as const;

/** How much water: in litres as somebody says, or by the measures of the glass; null where nothing was said. */
export function volumeIn(form: FormData): Result<KnownVolume | null> {
	const litres = numberIn(form.get('litres'));
	const how = wordIn(form, 'how', ['guessed', 'measured'], 'guessed');
	if (!how.ok) return how;
	if (litres !== null) {
		const share = how.value === 'measured' ? KNOWN_VOLUME_U : GUESSED_VOLUME_U;
		return validate(KnownVolume, { litres, uL: litres * share });
	}
	const rockwork = wordIn(form, 'rock', ROCKWORK_IDS, 'unknown');
	if (!rockwork.ok) return rockwork;
	const inches = typedText(form.get('lengths')) === 'inch';
	const sides = SIDES.map((name) => numberIn(form.get(name)));
	if (sides.every((side) => side === null)) return ok(null);
	for (const [i, side] of sides.entries()) {
		if (side === null) return fail('invalid-field', SIDES[i], { rule: 'missing' });
		if (!Number.isFinite(side)) return fail('invalid-field', SIDES[i], { rule: 'number' });
		if (side <= 0) return fail('invalid-field', SIDES[i], { rule: 'above', limit: 0 });
	}
	const sumpL = numberIn(form.get('sump')) ?? 0;
	if (!Number.isFinite(sumpL)) return fail('invalid-field', 'sump', { rule: 'number' });
	if (sumpL < 0) return fail('invalid-field', 'sump', { rule: 'at-least', limit: 0 });
	const [longCm, deepCm, filledToCm] = sides.map((side) => side! * (inches ? CM_PER_INCH : 1));
	const { value, u } = volumeOfGlass({
		longCm: longCm!,
		deepCm: deepCm!,
		filledToCm: filledToCm!,
		rockwork: rockwork.value,
		sumpL
	});
	return validate(KnownVolume, { litres: Number(value.toPrecision(3)), uL: Number(u.toPrecision(3)) });
}

/** When the light is on; null where nothing was said, and half of it is asked for. */
export function lightsIn(form: FormData): Result<Lights | null> {
	const minutes = (['lightsOn', 'lightsOff'] as const).map((name) => {
		const text = typedText(form.get(name));
		const time = typedTime(text);
		return { name, text, minute: time === null ? null : minuteOfTime(time) };
	});
	if (minutes.every((m) => m.text === '')) return ok(null);
	const wrong = minutes.find((m) => m.minute === null);
	if (wrong) return fail('invalid-field', wrong.name, { rule: wrong.text === '' ? 'missing' : 'time' });
	return validate(Lights, { onMinute: minutes[0]!.minute, offMinute: minutes[1]!.minute });
}

/** Since when it runs: a day, or about how long; null where nothing was said. */
function sinceIn(form: FormData, timeZone: string, now: Instant): Result<number | null> {
	const day = typedText(form.get('startedAt'));
	if (day !== '') {
		const at = typedInstant(`${day}T00:00`, timeZone);
		return Number.isNaN(at) ? fail('invalid-field', 'startedAt', { rule: 'date' }) : ok(at);
	}
	const runs = wordIn(form, 'runs', ['', ...Object.keys(RUNS_SINCE_DAYS)], '');
	if (!runs.ok) return runs;
	const days = (RUNS_SINCE_DAYS as Readonly<Record<string, number>>)[runs.value];
	return ok(days === undefined ? null : addDays(now, -days));
}

/** A water as its keeper tells of it. Everything but its name may be left for later. */
export function waterOfForm(
	form: FormData,
	{ timeZone, now }: { readonly timeZone: string; readonly now: Instant }
): Result<AddWater> {
	const name = typedText(form.get('name'));
	if (name === '') return fail('invalid-field', 'name', { rule: 'missing' });
	const kind = wordIn(form, 'kind', WATER_KINDS, 'tank');
	const profile = wordIn<ProfileId | ''>(form, 'profile', ['', ...PROFILE_IDS], '');
	const volume = volumeIn(form);
	const lights = lightsIn(form);
	const since = sinceIn(form, timeZone, now);
	for (const part of [kind, profile, volume, lights, since]) if (!part.ok) return part;
	const isTank = kind.ok && kind.value === 'tank';
	return validate(AddWater, {
		id: typedText(form.get('id')),
		name,
		kind: kind.ok ? kind.value : '',
		profile: profile.ok && profile.value !== '' ? profile.value : null,
		volume: volume.ok ? volume.value : null,
		lights: lights.ok ? lights.value : null,
		// Whoever says nothing is taken to keep animals: what is advised is then on the careful side.
		hasAnimals: isTank && form.get('empty') === null,
		startedAt: since.ok ? since.value : null
	});
}
