import { Type } from '@sinclair/typebox';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { closed, InstantMs, words } from '$lib/contract/common';
import { readPreferences } from '$lib/contract/preferences';
import { typed } from '$lib/contract/typed';
import { fromIso } from '$lib/core/time';
import { commandOfForm } from './command-of-form.ts';

const context = {
	timeZone: 'Europe/Lisbon',
	units: { ...readPreferences(undefined).units, alkalinity: 'meq-per-l' as const }
};
const formOf = (fields: Readonly<Record<string, string | readonly string[]>>) => {
	const form = new FormData();
	for (const [name, value] of Object.entries(fields))
		for (const one of typeof value === 'string' ? [value] : value) form.append(name, one);
	return form;
};

describe('a command from a form', () => {
	it('has each field by its name, as the schema says that it is typed', () => {
		const schema = Type.Object(
			{
				waterId: Type.String(),
				at: InstantMs,
				bought: Type.Union([typed('day', InstantMs), Type.Null()]),
				how: words(['slowly', 'at once'] as const),
				retire: typed('flag', Type.Boolean()),
				details: Type.Object({ litres: Type.Number(), note: Type.Optional(Type.String()) }, closed),
				inside: typed('in-place', Type.Object({ drops: Type.Integer() }, closed)),
				runs: Type.Array(Type.String())
			},
			closed
		);
		const form = formOf({
			at: '2026-11-20T19:30',
			bought: '',
			how: 'at once',
			'details.litres': '12,5',
			drops: '20',
			runs: ['a', 'b']
		});
		expect(commandOfForm(schema, form, context, { waterId: 'w' })).toEqual({
			ok: true,
			value: {
				waterId: 'w',
				at: fromIso('2026-11-20T19:30:00Z'),
				bought: null,
				how: 'at once',
				retire: false,
				details: { litres: 12.5 },
				inside: { drops: 20 },
				runs: ['a', 'b']
			}
		});
	});
	it('is in canonical units: a level with its zero, a difference without', () => {
		const band = Type.Object({
			parameter: words(['alkalinity', 'salinity'] as const),
			low: Type.Union([typed('level', Type.Number()), Type.Null()])
		});
		expect(commandOfForm(band, formOf({ parameter: 'alkalinity', low: '3' }), context)).toMatchObject({
			value: { low: expect.closeTo(8.41, 2) as number }
		});
		const rises = Type.Object({
			strength: typed(
				'per-parameter',
				Type.Array(Type.Object({ parameter: Type.String(), rise: typed('span', Type.Number()) }))
			)
		});
		const typedRises = formOf({ 'strength.alkalinity': '0.5', 'strength.calcium': '' });
		expect(commandOfForm(rises, typedRises, context)).toMatchObject({
			value: { strength: [{ parameter: 'alkalinity', rise: expect.closeTo(1.4, 2) as number }] }
		});
	});
	it('takes of several shapes the one whose words were sent', () => {
		const trial = Type.Object({
			trial: Type.Union([
				typed('in-place', Type.Object({ by: Type.Literal('weighing'), massG: Type.Number() }, closed)),
				typed('in-place', Type.Object({ by: Type.Literal('mark'), ml: Type.Number() }, closed))
			])
		});
		expect(commandOfForm(trial, formOf({ by: 'mark', ml: '1', massG: '3' }), context)).toMatchObject({
			value: { trial: { by: 'mark', ml: 1 } }
		});
		expect(commandOfForm(trial, formOf({ by: 'guess', ml: '1' }), context).ok).toBe(false);
	});
	it('lets what follows from the form, and what is known without it, stand above what was sent', () => {
		const schema = Type.Object({ id: Type.String(), waterId: Type.String(), span: Type.String() }, closed);
		const made = commandOfForm(
			schema,
			formOf({ id: 'i', waterId: 'another', span: '' }),
			context,
			{ waterId: 'mine' },
			({ span }) => ({ span: span || 'all' })
		);
		expect(made).toEqual({ ok: true, value: { id: 'i', waterId: 'mine', span: 'all' } });
	});
	it('names the field, and never fails otherwise, whatever is sent', () => {
		const schema = Type.Object(
			{
				at: InstantMs,
				amount: Type.Number({ minimum: 0 }),
				low: Type.Union([typed('level', Type.Number()), Type.Null()])
			},
			closed
		);
		fc.assert(
			fc.property(fc.string(), fc.string(), fc.string(), (at, amount, low) => {
				const made = commandOfForm(schema, formOf({ at, amount, low }), context);
				if (!made.ok) expect(['at', 'amount', 'low']).toContain(made.fault.field);
			})
		);
		expect(commandOfForm(schema, formOf({ at: '30 February', amount: '1' }), context)).toMatchObject({
			fault: { field: 'at', details: { rule: 'date-and-time' } }
		});
	});
});
