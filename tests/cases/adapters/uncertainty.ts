import { repeatRange, replicates, weightedMean } from '../../../src/lib/core/comparison/index.ts';
import {
	magnesiumByMoles,
	MG_PER_CA_AS_MG,
	standardLine,
	uByStandardLine
} from '../../../src/lib/core/method/index.ts';
import { MOLAR_MASS } from '../../../src/lib/core/quantity/index.ts';
import { NOTHING_OWN, TitrationBudget } from '../../../src/lib/core/reading/index.ts';
import {
	COVERAGE,
	combine,
	differenceOfTwoReadings,
	effectiveFreedom,
	expanded,
	largestComponent,
	lastIncrement,
	rectangular,
	sumOfTwoRectangulars,
	triangular,
	type UncertaintySource
} from '../../../src/lib/core/uncertainty/index.ts';
import { refused, values, type Given, type Json, type Operation } from '../shape.ts';

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
			perUnit: given.number('result_per_mL'),
			atZero: 0,
			increment: given.number('increment_mL'),
			endPointU: given.numberOr('u_endpoint_mL', 0),
			sampleMl: given.number('sample_mL'),
			sampleToleranceMl: given.number('sample_tolerance_mL'),
			chartStep: given.numberOr('chart_step', 0),
			onTitrant: [],
			onExcess: [],
			factor: given.numberOr('factor', 1),
			factorRelativeU: given.numberOr('u_factor_rel', 0),
			midpoint: given.flag('midpoint_correction'),
			sampleShape: given.word('sample_shape', ['rect', 'tri'], 'rect'),
			graduationShape: given.word('graduation_shape', ['rect', 'tri'], 'rect')
		},
		{
			volume: given.number('V_used_mL'),
			squaredWidths: given.numberOr('n_scale_readings', 2) * given.number('graduation_mL') ** 2,
			rangeWidth: 0,
			bad: 0,
			doubtHalfWidth: 0,
			shift: 0,
			uShift: 0,
			...NOTHING_OWN
		}
	);
	const uOf = (source: UncertaintySource) => budget.components.find((c) => c.source === source)?.u ?? 0;
	const named = Object.entries(NAMES) as [keyof typeof NAMES, string][];
	return values({
		value: budget.value,
		u_c: Math.hypot(budget.uRandom, budget.uCommon),
		U_k2: COVERAGE * Math.hypot(budget.uRandom, budget.uCommon),
		...Object.fromEntries(named.map(([source, name]) => [name, uOf(source)])),
		dominant: NAMES[largestComponent(budget.components).source as keyof typeof NAMES]
	});
};

export const magnesiumBudget: Operation = (given) => {
	const total = given.number('total_mg_per_L_as_Mg');
	return values({
		Mg_mg_per_L: magnesiumByMoles(total / MOLAR_MASS.magnesium, given.number('Ca_mg_per_L')),
		u_Mg_mg_per_L: combine([
			{ u: given.number('u_total_mg_per_L_as_Mg') },
			{ u: MG_PER_CA_AS_MG * given.number('u_Ca_mg_per_L') }
		])
	});
};

export const effectiveDof: Operation = (given) => {
	const components = given.raw('components') as unknown as { u: number; nu: number | null }[];
	const { u, degrees, k95 } = effectiveFreedom(
		components.map((c) => ({ u: c.u, degrees: c.nu ?? Infinity }))
	);
	return values({ u_c: u, nu_eff: degrees === Infinity ? null : degrees, k95 });
};

export const repeats: Operation = (given) => {
	const pooled = given.has('s_pooled') ? given.number('s_pooled') : undefined;
	const { mean, s, uRandom, u } = replicates(given.numbers('readings'), given.number('u_common'), pooled);
	return values({ mean, s, u_A: uRandom, u_mean: u });
};

export const meanOfWeighted: Operation = (given) => {
	const found = weightedMean(given.numbers('x'), given.numbers('u'));
	return values({
		mean: found.mean,
		u_internal: found.uInternal,
		chi2: found.chiSquared,
		chi2_crit95: found.chiSquaredCritical,
		birge_ratio: found.birgeRatio,
		u_reported: found.u,
		consistent: found.consistent
	});
};

export const rangeOfRepeats: Operation = (given) => {
	const { range, criticalRange, acceptable } = repeatRange(given.numbers('readings'), given.number('s_r'));
	return values({ range, critical_range: criticalRange, acceptable });
};

export const twoRectangulars: Operation = (given) => {
	const [a, b] = given.numbers('half_widths');
	return values({
		U95: sumOfTwoRectangulars(a!, b!),
		u_c: combine([{ u: rectangular(a!) }, { u: rectangular(b!) }])
	});
};

export const twoStandardsU: Operation = (given) => {
	const standard = (n: 1 | 2) => ({
		reading: given.number(`R${n}`),
		uReading: given.number(`u_R${n}`),
		value: given.number(`C${n}`),
		uValue: given.number(`u_C${n}`)
	});
	const [a, b] = [standard(1), standard(2)];
	const line = standardLine(a, b);
	if (!line.ok) return refused(line.fault.code);
	const reading = given.number('reading');
	return values({
		corrected: line.value.intercept + line.value.slope * reading,
		u: uByStandardLine(line.value, a, b, { value: reading, u: given.number('u_reading') })
	});
};
