import type {
	ComparedBy,
	ComparedReading,
	ComparisonAnswer,
	KnownError,
	PairedComparison,
	Side,
	WaterComparison
} from '$lib/contract/comparison';
import {
	blandAltman,
	compareOnce,
	compareOverTime,
	confounds,
	differenceThatMatters,
	likelierOff,
	nextStepFor,
	occasionsOf,
	pairsOf,
	type Pair
} from '$lib/core/comparison';
import { againstReference, seaWaterFor } from '$lib/core/judgement';
import type { Method } from '$lib/core/method';
import { formsApart, PARAMETER_IDS, PARAMETERS, type ParameterId } from '$lib/core/quantity';
import { addDays } from '$lib/core/time';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import { comparableResults, type ComparableRow } from '../../repository/comparable.ts';
import { adoptedMethods } from '../../repository/method.ts';
import type { SiteScope } from '../../repository/scope.ts';
import { checksOf, shelfItems } from '../../repository/shelf.ts';
import { watersOf, type Water } from '../../repository/water.ts';
import type { Deps } from '../deps.ts';
import { kitParts } from '../reading/run-kit.ts';
import { soundResultsSince } from '../reading/sound-results.ts';

/** Pairs are looked for this far back. */
const LOOK_BACK_DAYS = 550;
/** Two kits, readers or waters have to have this many readings to be offered. */
const LEAST_READINGS = 1;

export interface ComparisonAsked {
	readonly parameter: ParameterId | null;
	readonly by: ComparedBy | null;
	readonly first: string | null;
	readonly second: string | null;
}

const isLaboratory = (kit: string) => kit.startsWith('stated-');

const told = (row: ComparableRow): ComparedReading => ({
	at: row.drawnAt,
	value: row.value,
	uRandom: row.uRandom,
	uCommon: row.uCommon,
	kit: row.kit,
	reader: row.reader
});

function sideOf(by: ComparedBy): (row: ComparableRow) => string {
	return by === 'kit' ? (r) => r.kit : by === 'reader' ? (r) => r.reader : (r) => r.waterId;
}

function counted(
	rows: readonly ComparableRow[],
	by: ComparedBy,
	nameOf: (id: string) => string
): readonly Side[] {
	const counts = new Map<string, number>();
	for (const row of rows) counts.set(sideOf(by)(row), (counts.get(sideOf(by)(row)) ?? 0) + 1);
	return [...counts]
		.filter(([, n]) => n >= LEAST_READINGS)
		.map(([id, readings]) => ({ id, name: nameOf(id), readings }))
		.sort((a, b) => b.readings - a.readings || a.name.localeCompare(b.name));
}

function pairedOf(pairs: readonly Pair<ComparableRow>[], parameter: ParameterId): PairedComparison | null {
	if (pairs.length === 0) return null;
	const level = pairs.reduce((sum, p) => sum + p.first.value + p.second.value, 0) / (2 * pairs.length);
	const matters = differenceThatMatters(parameter, level);
	const occasions = occasionsOf(pairs);
	const last = occasions.at(-1)!;
	// One sample says nothing over time; there the kits' own errors count as well.
	const onLast = compareOnce(
		last.pairs.map((p) => p.first),
		last.pairs.map((p) => p.second),
		matters
	);
	return {
		verdict: occasions.length === 1 ? onLast : compareOverTime(occasions, matters),
		lastSample: occasions.length === 1 ? null : { at: last.pairs[0]!.first.drawnAt, verdict: onLast },
		limits:
			occasions.length >= 3
				? blandAltman(
						occasions.map((o) => o.first.value),
						occasions.map((o) => o.second.value)
					)
				: null,
		pairs: pairs.map(({ first, second }) => ({
			first: told(first),
			second: told(second),
			sameSample: first.sampleId === second.sampleId
		}))
	};
}

/** Two kits on one sample more than once each. */
function wereRepeated(
	pairs: readonly Pair[],
	rows: readonly ComparableRow[],
	side: (r: ComparableRow) => string
) {
	const samples = new Map<string, Map<string, number>>();
	for (const row of rows) {
		const own = samples.get(row.sampleId) ?? new Map<string, number>();
		own.set(side(row), (own.get(side(row)) ?? 0) + 1);
		samples.set(row.sampleId, own);
	}
	// Many pairs repeat the comparison as well as repeats of one sample do.
	return (
		pairs.length >= 8 ||
		[...samples.values()].some((own) => [...own.values()].filter((n) => n > 1).length > 1)
	);
}

/** What is known of the error of a kit, from its newest check or from what it admits. */
async function errorsBy(
	deps: Deps,
	scope: SiteScope,
	parameter: ParameterId
): Promise<(kit: string, rows: readonly ComparableRow[], uncorrected: boolean) => KnownError> {
	const items = await shelfItems(deps.db, scope);
	const ids = items.map((i) => i.id);
	const [checks, parts] = await Promise.all([checksOf(deps.db, scope, ids), kitParts(deps.db, scope, ids)]);
	return (kit, rows, uncorrected) => {
		const own = rows.filter((r) => r.kit === kit);
		const admitted = own.reduce((sum, r) => sum + r.uCommon, 0) / Math.max(1, own.length);
		const random = own.reduce((sum, r) => sum + r.uRandom, 0) / Math.max(1, own.length);
		const corrected = !uncorrected && own.some((r) => r.corrected);
		const packs = new Set(items.filter((i) => i.method?.code === kit).map((i) => i.id));
		const retired = packs.size > 0 && [...packs].every((id) => parts.get(id)?.state.retiredAt != null);
		const check = checks.find((c) => packs.has(c.itemId) && c.finding.parameter === parameter);
		if (isLaboratory(kit)) {
			const u = Math.max(1e-6, Math.hypot(admitted, random));
			return { from: 'laboratory', bias: 0, u, checkedAt: null, corrected: false, retired };
		}
		const standard = check?.finding.standards[0];
		if (!check || !standard) {
			return {
				from: 'claim',
				bias: 0,
				u: Math.max(1e-6, admitted),
				checkedAt: null,
				corrected: false,
				retired
			};
		}
		return {
			from: 'standard',
			bias: corrected ? 0 : standard.bias,
			u: standard.uBias,
			checkedAt: check.checkedAt,
			corrected,
			retired
		};
	};
}

function watersCompared(
	rows: readonly ComparableRow[],
	parameter: ParameterId,
	first: string,
	second: string,
	salinityOf: (waterId: string) => number | null,
	nameOf: (kit: string) => string
): WaterComparison {
	const last = (waterId: string, kit: string) => rows.findLast((r) => r.waterId === waterId && r.kit === kit);
	const kits = [...new Set(rows.map((r) => r.kit))];
	const both = kits.flatMap((kit) => {
		const [a, b] = [last(first, kit), last(second, kit)];
		if (!a || !b) return [];
		const matters = differenceThatMatters(parameter, (a.value + b.value) / 2);
		// What is common to a kit is in both readings alike, and falls out of their difference.
		const plain = (r: ComparableRow) => [{ ...told(r), uCommon: 0 }];
		return [
			{
				kit: nameOf(kit),
				first: told(a),
				second: told(b),
				verdict: compareOnce(plain(a), plain(b), matters)
			}
		];
	});
	const sea = (waterId: string) => {
		const salinity = salinityOf(waterId);
		const reference = salinity === null ? null : seaWaterFor(parameter, salinity);
		const best = rows.filter((r) => r.waterId === waterId).sort((a, b) => uOf(a) - uOf(b))[0];
		return reference && best ? againstReference(best.value, Math.max(1e-9, uOf(best)), reference) : null;
	};
	return { rows: both, sea: { first: sea(first), second: sea(second) } };
}
const uOf = (r: ComparableRow) => standardUncertaintyOf(r);

/** What two kits find, where it is not one thing; the values of a laboratory are of the usual form. */
function formsBetween(
	methods: readonly { readonly method: Method }[],
	parameter: ParameterId,
	first: string,
	second: string
): ComparisonAnswer['forms'] {
	const formOf = (code: string) => {
		const method = methods.find((m) => m.method.code === code)?.method;
		return method?.parameter === parameter ? method.species : PARAMETERS[parameter].species;
	};
	const [a, b] = [formOf(first), formOf(second)];
	const apart = formsApart(parameter, a, b);
	return apart === 'same' ? null : { first: a, second: b, apart };
}

/** Two kits or two readers on one water, or two waters, with what to do next. */
export async function readComparison(
	deps: Deps,
	scope: SiteScope,
	water: Water,
	asked: ComparisonAsked
): Promise<ComparisonAnswer> {
	const since = addDays(deps.clock.now(), -LOOK_BACK_DAYS);
	const by = asked.by ?? 'kit';
	const [methods, { results: all }, listed] = await Promise.all([
		adoptedMethods(deps.db, scope),
		soundResultsSince(deps, scope, water.id, since),
		watersOf(deps.db, scope)
	]);
	const siblings = listed.filter((w) => w.guestUntil === null || w.id === water.id);
	const names = new Map(methods.map(({ method }) => [method.code, method.name]));
	const kitName = (code: string) => (isLaboratory(code) ? 'Laboratory' : (names.get(code) ?? code));
	const kitsOf = (p: ParameterId) =>
		new Set(all.filter((r) => r.result.parameter === p).map((r) => r.methodCode)).size;
	const parameters = PARAMETER_IDS.filter((p) => kitsOf(p) > 0);
	const parameter = asked.parameter ?? parameters.find((p) => kitsOf(p) > 1) ?? parameters[0] ?? 'alkalinity';
	const waterIds = by === 'water' ? siblings.map((w) => w.id) : [water.id];
	const { current, asRead } = await comparableResults(deps.db, scope, waterIds, parameter, since);
	const side = sideOf(by);
	const sides = counted(current, by, (id) =>
		by === 'kit' ? kitName(id) : by === 'reader' ? id : (siblings.find((w) => w.id === id)?.name ?? id)
	);
	const known = (id: string | null) => (id !== null && sides.some((s) => s.id === id) ? id : null);
	const first = known(asked.first) ?? known(by === 'water' ? water.id : null) ?? sides[0]?.id ?? null;
	const kindOf = (id: string) => siblings.find((w) => w.id === id)?.kind;
	const others = sides.filter((s) => s.id !== first);
	// A bottle of the sea is held against another bottle, a tank against a tank, where there are two.
	const alike = others.find((s) => by === 'water' && first !== null && kindOf(s.id) === kindOf(first));
	const second = known(asked.second) ?? (alike ?? others[0])?.id ?? null;
	const base = { parameter, parameters, by, sides, first, second };
	const nothing = {
		paired: null,
		asRead: null,
		errors: null,
		likelier: null,
		confounds: [],
		forms: null,
		repeated: false,
		next: null,
		waters: null
	};
	if (first === null || second === null || first === second) return { ...base, ...nothing };
	if (by === 'water') {
		const salinities = await comparableResults(deps.db, scope, [first, second], 'salinity', since);
		const salinityOf = (id: string) => salinities.current.findLast((r) => r.waterId === id)?.value ?? null;
		return {
			...base,
			...nothing,
			waters: watersCompared(current, parameter, first, second, salinityOf, kitName)
		};
	}
	// Two readers of one kit err alike with it: what is common falls out of their difference.
	const of = (rows: readonly ComparableRow[], id: string) =>
		rows.filter((r) => side(r) === id).map((r) => (by === 'reader' ? { ...r, uCommon: 0 } : r));
	const pairs = pairsOf(of(current, first), of(current, second));
	const paired = pairedOf(pairs, parameter);
	const before = pairs.some((p) => p.first.corrected || p.second.corrected)
		? pairedOf(pairsOf(of(asRead, first), of(asRead, second)), parameter)
		: null;
	const found = confounds(pairs, by);
	const repeated = wereRepeated(pairs, current, side);
	const forms = by === 'kit' ? formsBetween(methods, parameter, first, second) : null;
	const errorOf = await errorsBy(deps, scope, parameter);
	const errors =
		by === 'kit'
			? { first: errorOf(first, current, before !== null), second: errorOf(second, current, before !== null) }
			: null;
	// Who is off is asked of what was read, not of what was put right already.
	const judged = before ?? paired;
	const likelier =
		// Two things that are not one may differ as they like: neither kit is off by it.
		errors && forms?.apart !== 'not-interchangeable' && judged && judged.verdict.grade === 'differ'
			? likelierOff({ value: judged.verdict.difference, u: judged.verdict.u }, errors.first, errors.second)
			: null;
	const checked = errors
		? ([errors.first, errors.second].filter((e) => e.from === 'standard').length as 0 | 1 | 2)
		: 0;
	return {
		...base,
		paired,
		asRead: before,
		errors,
		likelier,
		confounds: found,
		forms,
		repeated,
		next:
			paired && forms?.apart !== 'not-interchangeable'
				? nextStepFor({
						verdict: paired.verdict,
						confounds: found,
						repeated,
						checked,
						referee:
							errors !== null && (errors.first.from === 'laboratory' || errors.second.from === 'laboratory'),
						suspect: likelier?.suspect != null
					})
				: null,
		waters: null
	};
}
