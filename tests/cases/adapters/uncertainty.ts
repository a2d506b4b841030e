import { componentsOf, TitrationBudget } from '../../../src/lib/core/reading/index.ts';
import {
	COVERAGE,
	differenceOfTwoReadings,
	expanded,
	largestComponent,
	lastIncrement,
	rectangular,
	triangular,
	type UncertaintySource
} from '../../../src/lib/core/uncertainty/index.ts';
import { values, type Given, type Json, type Operation } from '../shape.ts';

const KINDS: Readonly<Record<string, (given: Given) => Readonly<Record<string, Json>>>> = {
	resolution_rect: (g) => ({ u: rectangular(g.number('graduation') / 2) }),
	resolution_tri: (g) => ({ u: triangular(g.number('graduation') / 2) }),
	tolerance_rect: (g) => ({ u: rectangular(g.number('half_width')) }),
	tolerance_tri: (g) => ({ u: triangular(g.number('half_width')) }),
	expanded: (g) => ({ u: expanded(g.number('U'), g.number('k')) }),
	last_increment: (g) => ({ ...lastIncrement(g.number('increment')) }),
	difference_of_two_readings_rect: (g) => ({ u: differenceOfTwoReadings(g.number('graduation')) })
};

export const standardUncertainty: Operation = (given) => {
	const kind = given.word('kind', Object.keys(KINDS));
	return values(KINDS[kind]!(given));
};

const NAMES = {
	graduation: 'u_graduation',
	'last-drop': 'u_increment',
	'end-point': 'u_endpoint',
	'sample-volume': 'u_sample_volume',
	'chart-rounding': 'u_chart_rounding',
	factor: 'u_factor'
} as const satisfies Partial<Record<UncertaintySource, string>>;

export const titrationBudgetCase: Operation = (given) => {
	const budget = new TitrationBudget(
		{
			resultPerMl: given.number('result_per_mL'),
			incrementMl: given.number('increment_mL'),
			endPointUMl: given.numberOr('u_endpoint_mL', 0),
			sampleMl: given.number('sample_mL'),
			sampleToleranceMl: given.number('sample_tolerance_mL'),
			chartStep: given.numberOr('chart_step', 0),
			titrantRelativeTolerance: 0,
			factor: given.numberOr('factor', 1),
			factorRelativeU: given.numberOr('u_factor_rel', 0),
			midpoint: given.flag('midpoint_correction'),
			sampleShape: given.word('sample_shape', ['rect', 'tri'], 'rect'),
			graduationShape: given.word('graduation_shape', ['rect', 'tri'], 'rect')
		},
		given.number('V_used_mL'),
		given.numberOr('n_scale_readings', 2) * given.number('graduation_mL') ** 2,
		0
	);
	const uOf = (source: UncertaintySource) => componentsOf(budget).find((c) => c.source === source)?.u ?? 0;
	const named = Object.entries(NAMES) as [keyof typeof NAMES, string][];
	return values({
		value: budget.value,
		u_c: Math.hypot(budget.uRandom, budget.uCommon),
		U_k2: COVERAGE * Math.hypot(budget.uRandom, budget.uCommon),
		...Object.fromEntries(named.map(([source, name]) => [name, uOf(source)])),
		dominant: NAMES[largestComponent(componentsOf(budget)).source as keyof typeof NAMES]
	});
};
