import { describe, expect, it } from 'vitest';
import { fromJson, toJson } from '$lib/contract/json';
import {
	againstBand,
	followCycle,
	judge,
	PANELS,
	RULES,
	STAGES,
	type AfterCycle,
	type CycleReading,
	type PanelHappening,
	type WhyDue
} from '$lib/core/judgement';
import type { MatterToday, ParameterToday } from '$lib/core/judgement/water';
import { PARAMETERS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { addDays, fromIso } from '$lib/core/time';
import { whyDue } from '../bench/bench';
import {
	comparisonSentence,
	confoundSentence,
	errorSentence,
	likelierSentence,
	NEXT_WORDS
} from '../compare/comparison';
import { afterSentence, cycleHeadline, trackSentence, unseenSentence } from './cycle';
import { HELP } from '../help/help';
import { matterWords } from './matter';
import { PANEL_TITLES, panelWords } from './panel';
import { reasonsOf, referenceSentence } from './reasons';
import { findingSentence, RULE_WORDS, STRENGTH_NAMES } from './rules';
import { ADVICE, STAGE_NAMES } from './stage';
import { clauseWords, gradeWords, urgencySentence } from './verdict';

const now = fromIso('2026-11-23T18:20:00Z');
const ZONE = 'Europe/Lisbon';
const units = Object.fromEntries(Object.entries(PARAMETERS).map(([id, p]) => [id, p.units[0]!])) as Record<
	ParameterId,
	UnitId
>;
const BAND = { low: 7.5, high: 9, aim: 8.2 };
const context = { units, timeZone: ZONE, now, base: '/waters/w' };

describe('rules in words', () => {
	it('each have a title, a reason, and a help topic that is there', () => {
		const topics = new Set(HELP.map((t) => t.id));
		for (const rule of RULES) {
			const { title, reason } = RULE_WORDS[rule.id];
			expect(title.length, rule.id).toBeLessThan(80);
			expect(reason, rule.id).toMatch(/\.$/);
			expect(topics.has(rule.readAbout), rule.readAbout).toBe(true);
			expect(STRENGTH_NAMES[rule.strength]).toBeTruthy();
			const facts = Object.fromEntries(
				rule.when.map((c) => [c.fact, 'from' in c ? c.from : 'to' in c ? c.to : 1])
			);
			const said = findingSentence({ rule: rule.id, strength: rule.strength, facts });
			expect(said, rule.id).toMatch(/\.$/);
			expect(said, rule.id).not.toMatch(/undefined|NaN/);
		}
	});
});

describe('panels in words', () => {
	it('say for every test why, and what each outcome would mean', () => {
		for (const [happening, tests] of Object.entries(PANELS) as [PanelHappening, readonly ParameterId[]][]) {
			expect(PANEL_TITLES[happening]).toMatch(/^What to test/);
			for (const parameter of tests) {
				const words = panelWords(happening, parameter);
				expect(words, `${happening}/${parameter}`).not.toBeNull();
				for (const text of Object.values(words!)) expect(text).toMatch(/[.?]$/);
			}
		}
		expect(panelWords('algae', 'calcium')).toBeNull();
	});
});

describe('stages in words', () => {
	it('have a name, and words for all of their advice', () => {
		for (const [id, { advice }] of Object.entries(STAGES)) {
			expect(STAGE_NAMES[id as keyof typeof STAGES]).toBeTruthy();
			for (const a of advice) expect(ADVICE[a]).toMatch(/\.$/);
		}
	});
});

describe('the cycle in words', () => {
	const start = fromIso('2026-11-01T08:00:00Z');
	const kit = { clearUpTo: 0.05, seesFrom: 0.1 };
	const reading = (
		parameter: 'ammonia' | 'nitrite',
		day: number,
		lower: number,
		upper: number | null
	): CycleReading => ({
		at: addDays(start, day),
		parameter,
		lower,
		upper,
		...kit
	});
	const both = (day: number, a: [number, number], n: [number, number]) => [
		reading('ammonia', day, ...a),
		reading('nitrite', day, ...n)
	];
	const none: [number, number] = [0, 0.05];
	const running = [
		...both(1, [1.7, 3.6], none),
		...both(2, [0.1, 0.2], [4, 8]),
		...both(3, none, none),
		...both(4, none, none)
	];
	it('tells peak, first zero, what is missing and what is not seen', () => {
		const state = followCycle(running, { startedAt: start, timeZone: ZONE }, now);
		expect(trackSentence(state.nitrite, ZONE, now, 'nitrite')).toBe(
			'Nitrite peaked on Tue 3 Nov at 4 to 8 mg/L; first zero on Wed 4 Nov; clear for 2 days in a row.'
		);
		expect(cycleHeadline({ state }, ZONE, now)).toMatch(
			/2 of 5 days in a row are clear; test again tomorrow/
		);
		expect(unseenSentence(state)).toMatch(
			/less than 0\.1 mg\/L of ammonia and less than 0\.1 mg\/L of nitrite/
		);
		expect(trackSentence(null, ZONE, now, 'ammonia')).toBe('Ammonia was not tested yet.');
		// Above the highest colour, and as it comes to the page.
		const open = followCycle([reading('nitrite', 1, 6, null)], { startedAt: start, timeZone: ZONE }, now);
		const sent = fromJson(toJson(open));
		expect(sent).toEqual(open);
		expect(trackSentence(sent.nitrite, ZONE, now, 'nitrite')).toMatch(/above 6 mg\/L; and has not fallen/);
	});
	it('tells since when it is done, and what comes next', () => {
		const done = followCycle(
			[...running, ...both(5, none, none), ...both(6, none, none), ...both(7, none, none)],
			{ startedAt: start, timeZone: ZONE },
			now
		);
		expect(cycleHeadline({ state: done }, ZONE, now)).toMatch(/^The cycle is done since Sun 8 Nov/);
		const said = (after: AfterCycle) => afterSentence(after);
		expect(said({ step: 'lower-nitrate', share: 0.34, to: 20 })).toMatch(/about 35 % .*below 20 mg\/L/);
		expect(said({ step: 'lower-nitrate', share: 0.5, to: 20 })).toMatch(/half of the water/);
		expect(said({ step: 'measure-nitrate' })).toMatch(/Read nitrate now/);
		expect(said({ step: 'first-animals' })).toMatch(/few at a time/);
	});
});

describe('matters in words', () => {
	const plain = { danger: false, weight: 1 };
	const said = (matter: MatterToday) => matterWords(matter, context);
	it('say what it is, what it says, and where to go', () => {
		const verdict = judge(6.2, 0.2, BAND, null);
		expect(
			said({
				...plain,
				kind: 'verdict',
				parameter: 'alkalinity',
				verdict,
				going: 'worse',
				urgency: 'act',
				early: false,
				single: true
			})
		).toMatchObject({
			title: 'Alkalinity: far outside, low.',
			text: 'Test again before you correct it, and change it slowly. It is getting worse. By one reading alone.'
		});
		const panel = {
			happening: 'death',
			eventId: 'e',
			at: addDays(now, -1),
			missing: ['ammonia', 'ph']
		} as const;
		expect(said({ ...plain, kind: 'panel', panel })).toMatchObject({
			title: 'An animal died, yesterday.',
			text: 'Not tested since: ammonia, pH.',
			link: { href: '/waters/w/panel/death?event=e' }
		});
		const free = { least: 0.01, most: 0.061, assumed: ['ph'], urgency: 'act' } as const;
		expect(said({ ...plain, danger: true, kind: 'free-ammonia', free }).text).toMatch(
			/^0\.01 to 0\.061 mg\/L NH₃.*pH was not read.*Stop feeding/
		);
		const more = { ...free, most: null };
		expect(said({ ...plain, danger: true, kind: 'free-ammonia', free: more }).text).toMatch(
			/^At least 0\.01 mg/
		);
		expect(said({ ...plain, kind: 'cycle', what: 'first-zero' }).text).toMatch(/provisional/);
		const run = { side: 'high', count: 5, distance: 0.6, u: 0.1 } as const;
		expect(said({ ...plain, kind: 'run', parameter: 'salinity', run }).text).toMatch(
			/^5 readings in a row lie above the aim, by 0\.6 ± 0\.2 PSU/
		);
		const finding = {
			rule: 'thin-in-magnesium',
			strength: 'strong',
			facts: { 'mix.magnesium.share': 0.9 }
		} as const;
		expect(said({ ...plain, kind: 'finding', finding }).link!.href).toBe(
			'/waters/w/findings#thin-in-magnesium'
		);
	});
	it('act earlier on what harms within days', () => {
		const verdict = judge(38, 0.4, { low: 34, high: 36, aim: 35 }, null);
		const matter = {
			verdict,
			going: 'not-seen',
			urgency: 'act',
			early: true,
			single: false
		} as const;
		expect(urgencySentence(matter)).toMatch(/harms within days/);
		const edge = judge(36, 0.3, { low: 34, high: 36, aim: 35 }, null);
		expect(urgencySentence({ ...matter, verdict: edge })).toMatch(/act as if it were outside/);
		expect(urgencySentence({ ...matter, verdict: edge, early: false })).toMatch(/Another test narrows it/);
		expect(gradeWords('far-outside', 'high')).toBe('Far outside, high');
	});
});

describe('why a test is due', () => {
	it('is said for every reason', () => {
		const all: readonly [WhyDue, RegExp][] = [
			[{ kind: 'outside', days: 3.2, chance: 0.24 }, /^Read 3 days ago; .*grown to 24 %$/],
			[{ kind: 'edge', days: 1.9 }, /^Read 2 days ago; it stood at the edge/],
			[{ kind: 'unknown', days: 10, plusMinus: 0.834 }, /no better than ± 0\.83$/],
			[
				{ kind: 'steady', days: 0.1, everyDays: 14, chance: 0.004 },
				/^Read today; it keeps steady \(under 1 %/
			],
			[{ kind: 'habit', days: 1, everyDays: 7 }, /^Read yesterday; a fixed testing day, every 7 days$/]
		];
		for (const [why, words] of all) expect(whyDue({ why })).toMatch(words);
	});
});

describe('reasons of a verdict', () => {
	const row = (value: number, u: number): ParameterToday => ({
		parameter: 'alkalinity',
		band: { ...BAND, source: 'My own', fromAt: now },
		estimate: null,
		last: {
			at: now,
			result: { kind: 'value', parameter: 'alkalinity', unit: 'dkh', value, uRandom: u, uCommon: 0 }
		},
		atS35: null,
		single: judge(value, u, BAND, null),
		urgency: 'watch',
		early: false,
		asOutside: false,
		going: 'better',
		run: null,
		references: []
	});
	it('tell the chances, the band’s source, and a kit that cannot tell', () => {
		const [first, ...rest] = reasonsOf(row(7.6, 0.2), 'dkh');
		expect(first).toMatch(/inside 7\.5–9 dKH is 69 %, below 31 %, above under 1 %\. The band: My own\.$/);
		expect(rest).toContain('It moves towards where it is wanted.');
		expect(reasonsOf(row(8.2, 0.6), 'dkh').join(' ')).toMatch(/wider than the band/);
		expect(againstBand(8.2, 0.6, BAND).resolves).toBe(false);
	});
	it('hold it against the sea, a usual band, its own start', () => {
		const said = (reference: Parameters<typeof referenceSentence>[1]['reference']) =>
			referenceSentence('alkalinity', { reference, difference: -0.4, agreement: 'disagree' }, 'dkh');
		expect(said({ kind: 'sea-water', salinity: 34.21, low: 6.4, high: 6.6 })).toBe(
			'Natural sea water at S = 34.2 holds 6.4–6.6 dKH: a real difference, below it.'
		);
		expect(said({ kind: 'published', name: 'Mixed reef', low: 7.5, high: 9 })).toMatch(
			/“mixed reef” is 7\.5–9/
		);
		expect(said({ kind: 'baseline', value: 8.1, u: 0.1, readings: 5 })).toMatch(/own start was 8\.1 ± 0\.2/);
	});
});

describe('comparisons in words', () => {
	const names = { first: 'The syringe', second: 'The display' };
	const verdict = {
		grade: 'differ',
		n: 12,
		difference: -0.75,
		u: 0.06,
		lower: -0.87,
		upper: -0.63,
		matters: 0.4,
		withinClaims: false,
		small: false,
		tooFew: false
	} as const;
	const said = (
		change: Partial<Omit<typeof verdict, 'grade'>> & { grade?: 'agree' | 'differ' | 'cannot-tell' }
	) => comparisonSentence('alkalinity', { verdict: { ...verdict, ...change } }, names, 'dkh');
	it('say which side reads higher, by how much, and whether it matters', () => {
		expect(said({})).toBe(
			'They differ: The display reads 0.75 dKH higher than The syringe (difference 0.63 to 0.87). That is more than both can explain.'
		);
		expect(said({ withinClaims: true as never })).toMatch(/neither is shown to be wrong\.$/);
		expect(said({ small: true as never })).toMatch(/less than the 0\.4 dKH that would matter\.$/);
		expect(said({ grade: 'agree' })).toMatch(/^They agree: the difference is 0\.75/);
		expect(said({ grade: 'cannot-tell' })).toMatch(/^Nobody can tell yet/);
		expect(said({ tooFew: true as never, n: 5 as never })).toMatch(
			/^5 pairs are too few to tell; it takes 8/
		);
	});
	it('say what changes together, which one is likelier off, and what to do', () => {
		expect(confoundSentence(['reader', 'sample'], 'kit')).toMatch(
			/the reader and the sample changed together/
		);
		expect(confoundSentence([], 'kit')).toBe('');
		expect(likelierSentence({ first: 0.02, errors: [0, 1], suspect: 'second' }, names)).toBe(
			'The display is likelier off, with a probability of 98 %.'
		);
		expect(likelierSentence({ first: 0.55, errors: [0, 1], suspect: null }, names)).toMatch(/cannot be told/);
		for (const words of Object.values(NEXT_WORDS)) expect(words).toMatch(/\.$/);
	});
	it('say what is known of each by itself', () => {
		const error = (change: object) =>
			errorSentence(
				'alkalinity',
				{
					from: 'standard',
					bias: 1.1,
					u: 0.1,
					checkedAt: now,
					corrected: false,
					retired: true,
					...change
				} as never,
				'The display',
				'dkh',
				ZONE,
				now
			);
		expect(error({})).toMatch(/it read 1\.1 ± 0\.2 dKH too high\. It is retired\.$/);
		expect(error({ bias: -1.1, retired: false })).toMatch(/too low\.$/);
		expect(error({ corrected: true })).toMatch(/results are corrected by it/);
		expect(error({ from: 'claim' })).toMatch(/was not checked on a standard/);
		expect(error({ from: 'laboratory' })).toMatch(/states ± 0\.2 dKH for itself/);
	});
});

describe('where a parameter goes, in a clause', () => {
	const rate = (value: number, over: { basedOn?: number; leavesInDays?: number | null } = {}) =>
		clauseWords(
			{
				parameter: 'alkalinity',
				netChangePerDay: { value, u: 0.01 },
				basedOn: 5,
				leavesInDays: null,
				...over
			},
			'dkh'
		);
	it('is when it leaves its band, else how fast it moves, and nothing that is not seen', () => {
		expect(rate(-0.06, { leavesInDays: 6.6 })).toBe('Leaves in about 7 days');
		expect(rate(-0.06, { leavesInDays: 0.4 })).toBe('Leaves in about a day');
		expect(rate(-0.06)).toBe('Falling 0.06 a day');
		expect(rate(0.06)).toBe('Rising 0.06 a day');
		expect(rate(0.015, { leavesInDays: 3 })).toBe('No change seen');
		expect(rate(-0.06, { basedOn: 1 })).toBe('One reading: no trend yet');
	});
});
