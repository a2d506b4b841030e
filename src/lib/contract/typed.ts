import type { TSchema } from '@sinclair/typebox';

/**
 * How what a person types becomes what a schema holds, where its type alone does not say: kept at the schema itself, as
 * its limits are. What is not said here is a text, a number or a word as it stands.
 */
export type Typed =
	/** A day and a time of the site; empty is now, where whoever reads the form says so. */
	| 'moment'
	/** A day, taken at noon so that no zone moves it. */
	| 'day'
	/** A level of the parameter beside it, in the reader's unit. */
	| 'level'
	/** A difference of such levels, which converts by its scale alone. */
	| 'span'
	/** "yes", or left unticked. */
	| 'flag'
	/** One member for each parameter that is filled in, by fields named for the parameters. */
	| 'per-parameter'
	/** Its fields stand among those around it, without its name. */
	| 'in-place';

/** Says of a schema how it is typed. Ajv knows the word and passes over it. */
export function typed<S extends TSchema>(as: Typed, schema: S): S {
	return { ...schema, typed: as };
}

export function typedAs(schema: TSchema): Typed | null {
	return (schema as { typed?: Typed }).typed ?? null;
}
