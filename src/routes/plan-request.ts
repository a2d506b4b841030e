import { PlanRequest } from '$lib/contract/adjust';
import { HUSBANDRY_IDS, RAISED, supplementFor, type RaisedParameter } from '$lib/core/correction';
import type { NamedSupplement } from '$lib/core/judgement/plan';
import { typedNumber } from '$lib/core/numeric';
import { convert, PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { validate } from '$lib/server/validation/validator';

type Units = Readonly<Record<ParameterId, UnitId>>;

/** The parameters that a plan's address names. */
export function goalsIn(url: URL): RaisedParameter[] {
	const named = (url.searchParams.get('goals') ?? '').split(',');
	return RAISED.filter((p) => named.includes(p));
}

/** A number typed in the person's unit, in the canonical one; NaN where it is none. */
function canonical(parameter: ParameterId, text: string, units: Units): number {
	const value = typedNumber(text);
	if (value === null || !Number.isFinite(value)) return Number.NaN;
	return Number(convert(value, units[parameter], PARAMETERS[parameter].canonicalUnit).toPrecision(10));
}

/** What an address asks to be planned; null where nothing was filled in yet. */
export function requestOf(
	url: URL,
	supplements: readonly NamedSupplement[],
	units: Units,
	usualAim: (parameter: ParameterId) => number | null
): Result<PlanRequest> | null {
	const query = url.searchParams;
	const volumeKnown = query.get('volume') === 'known';
	const aimOf = (parameter: ParameterId, name: string): number | null => {
		const typed = query.get(name);
		return typed === null || typed.trim() === '' ? usualAim(parameter) : canonical(parameter, typed, units);
	};
	if (query.get('kind') === 'husbandry') {
		const id = HUSBANDRY_IDS.find((h) => h === query.get('id'));
		return id ? ok({ kind: 'husbandry', id }) : fail('unknown-item', 'id');
	}
	if (query.get('kind') === 'salinity') {
		const aim = aimOf('salinity', 'aim');
		return aim === null ? null : checked({ kind: 'salinity', aim, volumeKnown }, 'aim');
	}
	const goals = goalsIn(url).map((parameter) => ({
		parameter,
		aim: aimOf(parameter, `aim.${parameter}`),
		supplementId: supplementFor(parameter, supplements, query.get(`with.${parameter}`))
	}));
	if (goals.length === 0 || goals.some((g) => g.aim === null)) return null;
	const wrong = goals.find((g) => !Number.isFinite(g.aim));
	if (wrong) return fail('not-a-number', `aim.${wrong.parameter}`);
	const looked = query.get('looked') === 'yes';
	return checked({ kind: 'doses', goals, volumeKnown, ...(looked ? { looked } : {}) }, 'aim');
}

function checked(request: unknown, field: string): Result<PlanRequest> {
	const outcome = validate(PlanRequest, request);
	return outcome.ok ? outcome : fail('not-a-number', field);
}
