import { SaveSupplement } from '$lib/contract/adjust';
import { LABEL_U, RAISED, strengthByTrial, type RaisedParameter } from '$lib/core/correction';
import { convert, convertSpan, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { numberIn, typedText, wordIn } from './form.ts';
import { validate } from './validator.ts';

interface Context {
	readonly waterId: string;
	readonly units: Readonly<Record<ParameterId, UnitId>>;
}

interface Strong {
	readonly strength: { parameter: RaisedParameter; risePer100L: number }[];
	readonly relativeU: number;
}

/** A volume that a trial is made in is measured out, not guessed. */
const TRIAL_VOLUME_U = 0.01;

/** A rise in the person's unit, canonical. Temperatures aside, units of rises have no offset. */
function span(parameter: ParameterId, value: number, units: Context['units']): number {
	return convertSpan(value, units[parameter], PARAMETERS[parameter].canonicalUnit);
}

function byTrial(form: FormData, { units }: Context): Result<Strong> {
	const tried = wordIn(form, 'trial.parameter', RAISED, 'alkalinity');
	if (!tried.ok) return tried;
	const parameter = tried.value;
	const number = (name: string) => numberIn(form.get(`trial.${name}`));
	const [amount, volume, before, after, plusMinus] = ['amount', 'volume', 'before', 'after', 'u'].map(number);
	const all = [amount, volume, before, after, plusMinus];
	if (all.some((x) => x === null || x === undefined || !Number.isFinite(x))) {
		return fail('invalid-field', 'trial', { rule: 'trial-numbers' });
	}
	const canonical = (x: number) => convert(x, units[parameter], PARAMETERS[parameter].canonicalUnit);
	// A stated ± covers two standard uncertainties, and the rise has two readings.
	const u = (Math.SQRT2 * span(parameter, plusMinus!, units)) / 2;
	try {
		const { risePer100L, relativeU } = strengthByTrial(
			amount!,
			{ value: volume!, u: volume! * TRIAL_VOLUME_U },
			{ value: canonical(after!) - canonical(before!), u }
		);
		return ok({
			strength: [{ parameter, risePer100L }],
			relativeU: Math.min(0.5, Math.max(0.01, relativeU))
		});
	} catch {
		return fail('invalid-field', 'trial', { rule: 'trial-rise' });
	}
}

function byLabel(form: FormData, { units }: Context): Result<Strong> {
	const strength = RAISED.flatMap((parameter) => {
		const value = numberIn(form.get(`strength.${parameter}`));
		return value === null ? [] : [{ parameter, risePer100L: span(parameter, value, units) }];
	});
	const wrong = strength.find((s) => !(s.risePer100L > 0));
	if (wrong) return fail('not-a-number', `strength.${wrong.parameter}`);
	if (strength.length === 0) {
		return fail('invalid-field', 'strength.alkalinity', { rule: 'or-another' });
	}
	return ok({ strength, relativeU: LABEL_U });
}

/** Rows of a dosing table: a reading and an amount on each line. */
function rowsOf(text: string): Result<{ reading: number; amountPer100L: number }[]> {
	const rows: { reading: number; amountPer100L: number }[] = [];
	for (const [i, line] of text.split(/\r?\n/).entries()) {
		if (line.trim() === '') continue;
		const cells = line
			.trim()
			.split(/[\s;]+/)
			.map(numberIn);
		const [reading, amountPer100L] = cells;
		if (cells.length !== 2 || cells.some((c) => c === null || !Number.isFinite(c))) {
			return fail('table-row', 'rows', { row: i + 1, cells: cells.length });
		}
		rows.push({ reading: reading!, amountPer100L: amountPer100L! });
	}
	return rows.length > 0 ? ok(rows) : fail('chart-too-short', 'rows');
}

const SUPPLEMENT_KINDS = ['salt', 'solution', 'product', 'table'] as const;

function whatOf(form: FormData, context: Context): Result<unknown> {
	const kind = wordIn(form, 'kind', SUPPLEMENT_KINDS, 'product');
	if (!kind.ok) return kind;
	switch (kind.value) {
		case 'salt': {
			const purity = numberIn(form.get('purity'));
			if (purity === null || !(purity >= 50 && purity <= 100)) {
				return fail('invalid-field', 'purity', { rule: 'within', limit: '50 to 100 %' });
			}
			return ok({ kind: 'salt', compound: typedText(form.get('compound')), purity: purity / 100 });
		}
		case 'solution': {
			const parts = [0, 1].flatMap((i) => {
				const compound = typedText(form.get(`part.${i}.compound`));
				const gramsPerL = numberIn(form.get(`part.${i}.gramsPerL`));
				return compound === '' || (i > 0 && gramsPerL === null)
					? []
					: [{ compound, gramsPerL, purity: 0.98 }];
			});
			if (parts.some((p) => p.gramsPerL === null || !(p.gramsPerL > 0)))
				return fail('not-a-number', 'gramsPerL');
			return ok({ kind: 'solution', parts });
		}
		case 'table': {
			const rows = rowsOf(typedText(form.get('rows')));
			if (!rows.ok) return rows;
			return ok({
				kind: 'table',
				parameter: typedText(form.get('parameter')),
				unit: typedText(form.get('unit')) || 'ml',
				rows: rows.value
			});
		}
		case 'product': {
			const from = wordIn(form, 'from', ['label', 'trial'], 'label');
			if (!from.ok) return from;
			const trial = from.value === 'trial';
			const strong = trial ? byTrial(form, context) : byLabel(form, context);
			if (!strong.ok) return strong;
			return ok({
				kind: 'product',
				unit: typedText(form.get('unit')) || 'ml',
				...strong.value,
				form: typedText(form.get('form')) || 'unknown',
				from: trial ? 'trial' : 'label'
			});
		}
	}
}

/** Turns the form of a supplement into a command, or says which field is wrong. */
export function supplementOfForm(form: FormData, context: Context): Result<SaveSupplement> {
	const what = whatOf(form, context);
	if (!what.ok) return what;
	return validate(SaveSupplement, {
		id: typedText(form.get('id')),
		waterId: context.waterId,
		name: typedText(form.get('name')),
		details: { what: what.value, notWith: typedText(form.get('notWith')), inUse: true }
	});
}
