import { typedNumber } from '$lib/core/numeric';
import { isUnitId, PARAMETERS, type UnitId } from '$lib/core/quantity';
import { portionsOf, type Method, type StepStatement } from '$lib/core/method';
import {
	END_POINTS,
	type EndPoint,
	type DropMarks,
	type RawReading,
	type SyringeMarks
} from '$lib/core/reading';

/** One field of the form that corrects a reading; its text is what a person would type. */
export type CorrectionField =
	| { readonly kind: 'number'; readonly name: string; readonly value: string; readonly optional?: boolean }
	| {
			readonly kind: 'choice';
			readonly name: string;
			readonly value: string;
			readonly options: readonly string[];
	  }
	| { readonly kind: 'tick'; readonly name: string; readonly value: string };

const text = (x: number | null | undefined) => (x == null ? '' : String(x));

interface Watched {
	readonly addedAfter?: number;
}
/** What was added once the colour was called and watched again, where it was. */
const watchedField = ({ addedAfter }: Watched, prefix = ''): CorrectionField[] =>
	addedAfter === undefined ? [] : [{ kind: 'number', name: `${prefix}addedAfter`, value: text(addedAfter) }];
const watchedOf = (get: Get, { addedAfter }: Watched, prefix = ''): Watched =>
	addedAfter === undefined ? {} : { addedAfter: needed(get(`${prefix}addedAfter`)) };

function marksFields(marks: SyringeMarks, prefix: string): CorrectionField[] {
	return [
		{ kind: 'choice', name: `${prefix}readAs`, value: marks.readAs, options: ['left', 'used'] },
		...marks.fills.flatMap(({ end }, i): CorrectionField[] => [
			{ kind: 'number', name: `${prefix}fills.${i}.lowerMl`, value: text(end.lowerMl) },
			{
				kind: 'number',
				name: `${prefix}fills.${i}.upperMl`,
				value: end.upperMl === end.lowerMl ? '' : text(end.upperMl),
				optional: true
			}
		]),
		{ kind: 'tick', name: `${prefix}unsure`, value: marks.sure ? '' : 'on' },
		...watchedField(marks, prefix)
	];
}

/** "on 2", "below"; the word form of a place among colour steps. */
export function statementText(at: StepStatement): string {
	return 'index' in at ? `${at.kind} ${at.index}` : at.kind;
}

/** Every place that a row of steps has, from the highest down. */
function statements(method: Method): string[] {
	if (method.kind !== 'colour-card' && method.kind !== 'comparator') return [];
	const last = method.colourSteps.length - 1;
	const all = ['above', `on ${last}`];
	for (let i = last - 1; i >= 0; i--) {
		all.push(`nearer_upper ${i}`, `between ${i}`, `nearer_lower ${i}`, `on ${i}`);
	}
	if (method.colourSteps[0]!.value > 0) all.push('below');
	return all;
}

/** How many times the sample was thinned; 1 where it was not. */
function factorOf({ dilution }: RawReading): number {
	return dilution ? (dilution.sampleMl + dilution.diluentMl) / dilution.sampleMl : 1;
}

/** The fields of a reading's correction, filled in as it was read. */
export function correctionFields(method: Method, reading: RawReading): readonly CorrectionField[] {
	const factor = factorOf(reading);
	if (method.dilutions.length === 0 && factor === 1) return ownFields(method, reading);
	const factors = [...new Set([1, ...method.dilutions, factor])].sort((a, b) => a - b);
	return [
		...ownFields(method, reading),
		{ kind: 'choice', name: 'dilution', value: text(factor), options: factors.map(String) }
	];
}

function ownFields(method: Method, reading: RawReading): readonly CorrectionField[] {
	const portion: CorrectionField[] =
		portionsOf(method).length > 1
			? [{ kind: 'choice', name: 'portion', value: reading.portion, options: ['full', 'half'] }]
			: [];
	const endPoint = (value: EndPoint | undefined): CorrectionField => ({
		kind: 'choice',
		name: 'endPoint',
		value: value ?? 'full',
		options: END_POINTS
	});
	const count = (r: DropMarks): CorrectionField[] => [
		{ kind: 'number', name: 'least', value: text(r.least) },
		{ kind: 'number', name: 'most', value: r.most === r.least ? '' : text(r.most), optional: true },
		{ kind: 'number', name: 'bad', value: text(r.bad) },
		...watchedField(r)
	];
	switch (reading.form) {
		case 'syringe':
			return [...marksFields(reading, ''), ...portion, endPoint(reading.endPoint)];
		case 'pair':
			return [
				...marksFields(reading.first, 'first.'),
				...marksFields(reading.second, 'second.'),
				endPoint(reading.endPoint)
			];
		case 'drops':
			return [...count(reading), ...portion, endPoint(reading.endPoint)];
		case 'difference':
			return [
				...count(reading),
				{ kind: 'number', name: 'subtract', value: text(reading.subtract.value) },
				endPoint(reading.endPoint)
			];
		case 'step':
			return [{ kind: 'choice', name: 'at', value: statementText(reading.at), options: statements(method) }];
		case 'display':
			return [
				{
					kind: 'number',
					name: 'shown',
					value: typeof reading.shown === 'number' ? text(reading.shown) : '',
					optional: true
				},
				{
					kind: 'choice',
					name: 'range',
					value: typeof reading.shown === 'number' ? 'inside' : reading.shown,
					options: ['inside', 'over', 'under']
				}
			];
		case 'line':
			return [
				{ kind: 'number', name: 'lower', value: text(reading.lower) },
				{
					kind: 'number',
					name: 'upper',
					value: reading.upper === reading.lower ? '' : text(reading.upper),
					optional: true
				},
				...(method.kind === 'float'
					? [{ kind: 'number' as const, name: 'temperatureC', value: text(reading.temperatureC) }]
					: [])
			];
		case 'stated': {
			const { says } = reading;
			const unit: CorrectionField = {
				kind: 'choice',
				name: 'unit',
				value: reading.unit,
				options: PARAMETERS[method.parameter].units
			};
			if (says.kind === 'value') {
				return [
					{ kind: 'number', name: 'value', value: text(says.value) },
					unit,
					{ kind: 'number', name: 'expandedU', value: text(says.expandedU), optional: true }
				];
			}
			return says.kind === 'interval'
				? [
						{ kind: 'number', name: 'lower', value: text(says.lower) },
						{ kind: 'number', name: 'upper', value: text(says.upper) },
						unit
					]
				: [{ kind: 'number', name: 'limit', value: text(says.limit) }, unit];
		}
	}
}

type Get = (name: string) => string;

/** A number that must be there: NaN, which is refused, where nothing was typed. */
const needed = (raw: string) => typedNumber(raw) ?? Number.NaN;

/** Both ends of a range in rising order; one number alone is both. */
function ends(get: Get, a: string, b: string): readonly [number, number] {
	const lower = needed(get(a));
	const upper = typedNumber(get(b)) ?? lower;
	return [Math.min(lower, upper), Math.max(lower, upper)];
}

function marksOf(get: Get, prefix: string, old: SyringeMarks): SyringeMarks {
	return {
		readAs: get(`${prefix}readAs`) === 'used' ? 'used' : 'left',
		sure: get(`${prefix}unsure`) !== 'on',
		fills: old.fills.map(({ startMl }, i) => {
			const [lowerMl, upperMl] = ends(get, `${prefix}fills.${i}.lowerMl`, `${prefix}fills.${i}.upperMl`);
			return { startMl, end: { lowerMl, upperMl } };
		}),
		...watchedOf(get, old, prefix)
	};
}

function statementOf(raw: string): StepStatement {
	const [kind, index] = raw.split(' ');
	return (index === undefined ? { kind } : { kind, index: Number(index) }) as StepStatement;
}

/**
 * The reading that the fields now say, everything else as it was. It is not checked here: what was typed wrongly is
 * NaN and is refused by whoever derives or stores it.
 */
export function correctedReading(old: RawReading, get: Get): RawReading {
	const corrected = correctedForm(old, get);
	const factor = typedNumber(get('dilution'));
	if (factor === null || factor === factorOf(old)) return corrected;
	const { dilution: _, ...plain } = corrected;
	return factor > 1 ? { ...plain, dilution: { sampleMl: 1, diluentMl: factor - 1, diluentHolds: 0 } } : plain;
}

function correctedForm(old: RawReading, get: Get): RawReading {
	const portion =
		get('portion') === 'half'
			? ('half' as const)
			: get('portion') === 'full'
				? ('full' as const)
				: old.portion;
	const chosen = END_POINTS.find((e) => e === get('endPoint')) ?? 'full';
	// An old reading that named no habit is not changed by naming the usual one.
	const named = 'endPoint' in old && old.endPoint !== undefined;
	const habit = named || chosen !== 'full' ? { endPoint: chosen } : {};
	const count = (of: DropMarks) => {
		const [least, most] = ends(get, 'least', 'most');
		return { least, most, bad: typedNumber(get('bad')) ?? 0, ...watchedOf(get, of) };
	};
	switch (old.form) {
		case 'syringe':
			return { ...old, portion, ...habit, ...marksOf(get, '', old) };
		case 'pair':
			return {
				...old,
				...habit,
				first: marksOf(get, 'first.', old.first),
				second: marksOf(get, 'second.', old.second)
			};
		case 'drops':
			return { ...old, portion, ...habit, ...count(old) };
		case 'difference': {
			const value = needed(get('subtract'));
			const same = value === old.subtract.value;
			// Another calcium has no test behind it; it is taken to be as well known, in proportion.
			const scale = same || !(old.subtract.value > 0) ? 1 : value / old.subtract.value;
			return {
				...old,
				...habit,
				...count(old),
				subtract: same
					? old.subtract
					: {
							...old.subtract,
							value,
							uRandom: old.subtract.uRandom * scale,
							uCommon: old.subtract.uCommon * scale,
							runId: null
						}
			};
		}
		case 'step':
			return { ...old, at: statementOf(get('at')) };
		case 'display': {
			const range = get('range');
			return {
				...old,
				shown: range === 'over' || range === 'under' ? range : needed(get('shown'))
			};
		}
		case 'line': {
			const [lower, upper] = ends(get, 'lower', 'upper');
			return {
				...old,
				lower,
				upper,
				temperatureC: get('temperatureC') ? typedNumber(get('temperatureC')) : old.temperatureC
			};
		}
		case 'stated': {
			const { says } = old;
			const unit = isUnitId(get('unit')) ? (get('unit') as UnitId) : old.unit;
			if (says.kind === 'value') {
				return {
					...old,
					unit,
					says: { ...says, value: needed(get('value')), expandedU: typedNumber(get('expandedU')) }
				};
			}
			return says.kind === 'interval'
				? {
						...old,
						unit,
						says: {
							...says,
							lower: needed(get('lower')),
							upper: needed(get('upper'))
						}
					}
				: { ...old, unit, says: { ...says, limit: needed(get('limit')) } };
		}
	}
}
