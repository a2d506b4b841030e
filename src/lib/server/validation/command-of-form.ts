import type { Static, TObject, TSchema } from '@sinclair/typebox';
import { typedAs } from '$lib/contract/typed';
import {
	convert,
	convertSpan,
	isParameterId,
	PARAMETER_IDS,
	PARAMETERS,
	type ParameterId,
	type UnitId
} from '$lib/core/quantity';
import { fail, type Result } from '$lib/core/result';
import { typedDay } from '$lib/core/time';
import { reader } from '$lib/format/reader';
import { numberIn, typedText } from './form.ts';
import { typedInstant } from './typed-instant.ts';
import { validate } from './validator.ts';

/** What it takes to understand what somebody typed. */
export interface FormContext {
	readonly timeZone: string;
	readonly units: Readonly<Record<ParameterId, UnitId>>;
}

/** The same of what is entered for one water. */
export interface WaterFormContext extends FormContext {
	readonly waterId: string;
}

/** A field that holds no day, of which the schema could only say that it is no number. */
class Mistyped extends Error {
	constructor(
		readonly field: string,
		readonly rule: 'date-and-time' | 'date'
	) {
		super(`${field} is mistyped`);
	}
}

type Given = Readonly<Record<string, unknown>>;

const isObject = (schema: TSchema): schema is TObject => schema.type === 'object';
const join = (path: string, name: string) => (path === '' ? name : `${path}.${name}`);

/** Reads a form field by field, by the schema of what it asks for. */
class FormReader {
	constructor(
		private readonly form: FormData,
		private readonly context: FormContext
	) {}

	/** @param given what is known without the form; a field of that name is not looked at */
	object(schema: TObject, path: string, given: Given, parameter: ParameterId | null): Given {
		const own = this.#text(this.#under(schema, path, 'parameter'));
		const about = 'parameter' in schema.properties && isParameterId(own) ? own : parameter;
		const read = Object.entries(schema.properties).flatMap(([name, part]) => {
			if (name in given) return [];
			const value = this.#read(part, this.#under(schema, path, name), about);
			const isOptional = !(schema.required ?? []).includes(name);
			return isOptional && (value === null || value === '') ? [] : [[name, value] as const];
		});
		return { ...Object.fromEntries(read), ...given };
	}

	#text(path: string): string {
		return typedText(this.form.get(path));
	}

	#read(schema: TSchema, path: string, parameter: ParameterId | null): unknown {
		const options = schema.anyOf as TSchema[] | undefined;
		if (options) {
			const isNullable = options.some((o) => o.type === 'null');
			if (isNullable && this.#text(path) === '') return null;
			return this.#read(this.#meant(options, path), path, parameter);
		}
		if (isObject(schema)) return this.object(schema, path, {}, parameter);
		switch (typedAs(schema)) {
			case 'moment':
				return this.#instant(path, this.#text(path), 'date-and-time');
			case 'day': {
				const text = this.#text(path);
				return this.#instant(path, `${typedDay(text, reader().dates, null) ?? text}T12:00`, 'date');
			}
			case 'level':
			case 'span':
				return this.#inCanonicalUnit(schema, path, parameter);
			case 'per-parameter':
				return this.#perParameter(schema.items as TObject, path);
			case 'flag':
				return this.#text(path) === 'yes';
			case 'in-place':
			case null:
				break;
		}
		if (schema.type === 'number' || schema.type === 'integer') return numberIn(this.form.get(path));
		if (schema.type === 'array') return this.form.getAll(path).map(typedText);
		return this.#text(path);
	}

	/** Of several shapes the one whose fixed words were sent; else the first, of which the schema says what is missing. */
	#meant(options: readonly TSchema[], path: string): TSchema {
		const shapes = options.filter((o) => o.type !== 'null');
		const fits = (shape: TSchema) =>
			isObject(shape) &&
			Object.entries(shape.properties).every(
				([name, part]) =>
					part.const === undefined || this.#text(this.#under(shape, path, name)) === part.const
			);
		return shapes.find(fits) ?? shapes[0]!;
	}

	#under(schema: TSchema, path: string, name: string): string {
		return typedAs(schema) === 'in-place'
			? join(path.split('.').slice(0, -1).join('.'), name)
			: join(path, name);
	}

	#instant(path: string, text: string, rule: Mistyped['rule']): number {
		const at = typedInstant(text, this.context.timeZone);
		if (Number.isNaN(at)) throw new Mistyped(path, rule);
		return at;
	}

	#inCanonicalUnit(schema: TSchema, path: string, parameter: ParameterId | null): number | null {
		const value = numberIn(this.form.get(path));
		if (value === null || parameter === null) return value;
		const [from, to] = [this.context.units[parameter], PARAMETERS[parameter].canonicalUnit];
		const canonical = typedAs(schema) === 'span' ? convertSpan(value, from, to) : convert(value, from, to);
		return Number(canonical.toPrecision(12));
	}

	/** The one field of each member that is typed stands under its parameter's name. */
	#perParameter(items: TObject, path: string): Given[] {
		const [name, part] = Object.entries(items.properties).find(([, p]) => typedAs(p) !== null)!;
		return PARAMETER_IDS.flatMap((parameter) => {
			const value = this.#inCanonicalUnit(part, join(path, parameter), parameter);
			return value === null ? [] : [{ parameter, [name]: value }];
		});
	}
}

/**
 * Turns a form into the command that its schema describes: each field by its name, in what the schema says of it.
 *
 * @param given what the server knows better: whose water it is, when it came
 * @param follows from what was read, and takes its place
 * @returns the command, or a fault that names the field
 */
export function commandOfForm<S extends TObject>(
	schema: S,
	form: FormData,
	context: FormContext,
	given: Given = {},
	follows: (read: Given) => Given = () => ({})
): Result<Static<S>> {
	try {
		const read = new FormReader(form, context).object(schema, '', given, null);
		return validate(schema, { ...read, ...follows(read) });
	} catch (wrong) {
		if (!(wrong instanceof Mistyped)) throw wrong;
		return fail('invalid-field', wrong.field, { rule: wrong.rule });
	}
}
