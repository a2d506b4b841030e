import { SCHOOLS, type BlendWish, type ChangeWish, type DailyWish, type Tuned } from '$lib/core/correction';
import { typedNumber } from '$lib/core/numeric';
import { convert, isParameterId, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';

import type { Supplies } from './supplies';

type Units = Readonly<Record<ParameterId, UnitId>>;
/** A form, or the question of an address; volumes in litres. */
export type Asked = Pick<URLSearchParams, 'get'>;

/** Reads numbers of a form, and remembers which could not be read. */
function numbersOf(asked: Asked) {
	const wrong: string[] = [];
	return {
		wrong,
		/** Null where nothing was typed, or nothing that lies between. */
		number: (name: string, least: number, most: number): number | null => {
			const value = typedNumber(asked.get(name) ?? '');
			if (value === null) return null;
			if (value >= least && value <= most) return value;
			wrong.push(name);
			return null;
		}
	};
}

/** A wish as far as it could be read; what could not, by the names of its fields. */
export interface Wished<W> {
	readonly wish: W;
	readonly wrong: readonly string[];
}

const USUAL_TARGET: ParameterId = 'nitrate';
/** A tenth of the water, once, with the newest batch: where nothing was asked for. */
const USUAL_SHARE = 0.1;

/** The parameter that a change is to bring somewhere. */
export function targetOf(asked: Asked): ParameterId {
	const named = asked.get('target') ?? '';
	return isParameterId(named) ? named : USUAL_TARGET;
}

export function readChangeWish(
	asked: Asked,
	{ volumeL, newest, units }: { readonly volumeL: number; readonly newest: string; readonly units: Units }
): Wished<ChangeWish> {
	const { number, wrong } = numbersOf(asked);
	const parameter = targetOf(asked);
	const to = number('to', 0, 10_000);
	const canonical = (value: number) =>
		Number(convert(value, units[parameter], PARAMETERS[parameter].canonicalUnit).toPrecision(10));
	return {
		wish: {
			litres: number('litres', 0.1, Math.max(0.1, volumeL)) ?? Math.round(volumeL * USUAL_SHARE * 10) / 10,
			count: Math.round(number('count', 1, 30) ?? 1),
			everyDays: Math.round(number('everyDays', 1, 60) ?? 7),
			batch: asked.get('batch') ?? newest,
			target: to === null ? null : { parameter, value: canonical(to) }
		},
		wrong
	};
}

/** Of what is at hand the first is the usual one. */
export function readDailyWish(asked: Asked, volumeL: number, supplies: Supplies): Wished<DailyWish> {
	const { number, wrong } = numbersOf(asked);
	const chosen = (parameter: Tuned) => {
		const all = supplies[parameter];
		return (all.find((s) => s.id === asked.get(`with.${parameter}`)) ?? all[0]!).what;
	};
	return {
		wish: {
			school: SCHOOLS.find((s) => s === asked.get('school')) ?? 'two-part',
			with: { alkalinity: chosen('alkalinity'), calcium: chosen('calcium') },
			evaporatesL: number('evaporates', 0, volumeL) ?? volumeL / 100,
			effluentDkh: number('effluent', 0, 200) ?? 25,
			flowMlPerMinute: number('flow', 0, 10_000) ?? 0,
			changeShare: (number('share', 1, 100) ?? 10) / 100,
			everyDays: number('every', 1, 365) ?? 7,
			freshDkh: number('fresh', 0, 60) ?? 8.5
		},
		wrong
	};
}

/** Hardness above this is no water's. */
const MOST_DEGREES = 200;
export function readBlendWish(asked: Asked): Wished<BlendWish> {
	const { number, wrong } = numbersOf(asked);
	const degrees = (name: string) => number(name, 0, MOST_DEGREES);
	return {
		wish: {
			tapKh: degrees('tapKh'),
			tapGh: degrees('tapGh'),
			pureKh: degrees('pureKh') ?? 0,
			kh: degrees('kh'),
			gh: degrees('gh'),
			litres: number('litres', 0, 1_000_000),
			nowKh: degrees('nowKh'),
			nowGh: degrees('nowGh')
		},
		wrong
	};
}
