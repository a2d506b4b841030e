import { titrationsOf, type ColourMethod, type Method } from '$lib/core/method';
import { seededRandom, type Random } from '$lib/core/numeric';
import {
	CLEAR_DAY,
	dropMlOf,
	LINES,
	nextOdd,
	nextPair,
	ODD_QUESTIONS,
	scaleExercise,
	scoreOfScale,
	type OddAnswer,
	type PairAnswer,
	type Trial
} from '$lib/core/practice';
import { shareTold, stopOf, type PractisingReader } from '$lib/core/tank';
import { addDays, addSeconds, type Instant } from '$lib/core/time';

/** What one member answered in practice, and whether others may see it. */
export interface DemoPractice {
	readonly by: string;
	readonly shows: boolean;
	readonly trials: readonly { readonly at: Instant; readonly trial: Trial }[];
	/** Lessons that they set somebody, by name, and what they wrote at the last step of a kit. */
	readonly lessons: readonly {
		readonly at: Instant;
		readonly forName: string;
		readonly methodCode: string;
		readonly vials: number;
		readonly note: string;
	}[];
	readonly stepNotes: readonly { readonly methodCode: string; readonly note: string }[];
	/** Kits whose finding is used, from a day on. */
	readonly uses: readonly { readonly at: Instant; readonly methodCode: string }[];
}

const CALM: PractisingReader = {
	bias: 0.2,
	spread: 0.45,
	lapses: 0.01,
	learns: 0.8,
	tires: 0.004,
	colourNoise: 2.5,
	vision: 'usual',
	severity: 0
};
/** Three readers: practised; one who stops early; one weak on pale blue. */
export const DEMO_READERS = {
	practised: CALM,
	early: { ...CALM, bias: -1.5, spread: 0.8, lapses: 0.04, learns: -0.4 },
	paleBlue: { ...CALM, bias: 0.6, spread: 0.9, colourNoise: 7, vision: 'short', severity: 0.9 }
} as const satisfies Record<string, PractisingReader>;

type Dated = DemoPractice['trials'][number];

/** Vials of one kit, a few to a day. */
export function endPointHistory(
	random: Random,
	reader: PractisingReader,
	method: Method,
	days: readonly Instant[],
	perDay: number
): Dated[] {
	const [titration] = titrationsOf(method);
	if (!titration) return [];
	const dropMl = dropMlOf(titration.meter);
	return days.flatMap((day, d) =>
		Array.from({ length: perDay }, (_, i): Dated => {
			const changeMl = dropMl * (25 + 15 * random());
			const error = stopOf(random, reader, d * perDay + i);
			return {
				at: addSeconds(day, 90 * i),
				trial: {
					kind: 'end-point',
					methodCode: method.code,
					titration: 0,
					mode: d === 0 && i < 2 ? 'slow' : d % 3 === 2 ? 'disturbed' : 'plain',
					changeMl,
					stoppedMl: Math.max(dropMl, changeMl + (error + 0.5) * dropMl),
					lastDropMl: dropMl,
					dropMl,
					around: d % 3 === 2 ? { ...CLEAR_DAY, lamp: 'warm' } : CLEAR_DAY,
					tookS: Math.round(25 + 30 * random())
				}
			};
		})
	);
}

/** A row of steps asked through. */
export function stepsHistory(
	random: Random,
	reader: PractisingReader,
	method: ColourMethod,
	day: Instant
): Dated[] {
	const colours = method.colourSteps.map((s) => s.colour.css);
	const answers: PairAnswer[] = [];
	const trials: Dated[] = [];
	for (let pair = nextPair(colours, answers); pair !== null; pair = nextPair(colours, answers)) {
		const right = random() < shareTold(reader, colours[pair]!, colours[pair + 1]!);
		const shown = random() < 0.5 ? ('lower' as const) : ('upper' as const);
		const other = shown === 'lower' ? ('upper' as const) : ('lower' as const);
		answers.push({ pair, right });
		trials.push({
			at: addSeconds(day, 8 * answers.length),
			trial: {
				kind: 'steps',
				methodCode: method.code,
				pair,
				shown,
				taken: right ? shown : other,
				around: CLEAR_DAY
			}
		});
	}
	return trials;
}

function scaleHistory(random: Random, day: Instant, times: number): Dated[] {
	return Array.from({ length: times }, (_, i): Dated => {
		const exercise = scaleExercise(random, 'syringe');
		const upside = exercise.decoys.find((d) => d.slip === 'upside-down');
		const slips = upside !== undefined && random() < 0.2;
		const read = slips ? upside.value : exercise.truth + (random() - 0.4) * exercise.graduation;
		const answer = Math.round(read * 200) / 200;
		return {
			at: addSeconds(day, 20 * i),
			trial: {
				kind: 'scale',
				scale: 'syringe',
				graduation: exercise.graduation,
				truth: exercise.truth,
				answer,
				slip: scoreOfScale(exercise, answer).slip
			}
		};
	});
}

function oddHistory(random: Random, reader: PractisingReader, day: Instant): Dated[] {
	const answers: OddAnswer[] = [];
	for (
		let next = nextOdd(answers);
		next !== null && answers.length < LINES.length * ODD_QUESTIONS;
		next = nextOdd(answers)
	) {
		const weak = reader.vision === next.line ? 1 - 0.75 * reader.severity : 1;
		const seen = 1 - Math.exp(-(((next.distance * weak) / (2.2 * reader.colourNoise)) ** 2));
		answers.push({ ...next, right: random() < 0.25 + 0.73 * seen });
	}
	return answers.map((a, i) => ({ at: addSeconds(day, 6 * i), trial: { kind: 'odd-one', ...a } }));
}

function countHistory(random: Random, day: Instant): Dated[] {
	return Array.from({ length: 6 }, (_, i): Dated => {
		const drops = 14 + Math.floor(14 * random());
		return {
			at: addSeconds(day, 60 * i),
			trial: { kind: 'count', disturbed: i > 1, drops, answer: i === 4 ? drops - 1 : drops }
		};
	});
}

/** The practised and the early reader, of the library. */
export function libraryPractice(now: Instant, methods: readonly Method[]): readonly DemoPractice[] {
	const named = (code: string) => methods.find((m) => m.code === code)!;
	const days = (ago: readonly number[]) => ago.map((d) => addDays(now, -d));
	const { practised, early } = DEMO_READERS;
	const one = seededRandom(4711);
	const other = seededRandom(815);
	return [
		{
			by: 'Keeper',
			shows: true,
			trials: [
				...endPointHistory(one, practised, named('alk-syringe'), days([40, 39, 36, 29, 12]), 8),
				...endPointHistory(one, practised, named('ca-syringe'), days([38, 30, 11]), 8),
				...stepsHistory(one, practised, named('no3-card') as ColourMethod, addDays(now, -28)),
				...scaleHistory(one, addDays(now, -27), 12),
				...countHistory(one, addDays(now, -26)),
				...oddHistory(one, practised, addDays(now, -25))
			],
			lessons: [
				{
					at: addDays(now, -21),
					forName: 'Helper',
					methodCode: 'alk-syringe',
					vials: 24,
					note: 'Wait for the full red, not the first.'
				}
			],
			stepNotes: [
				{ methodCode: 'alk-syringe', note: 'At this sink the lamp is warm: take the vial to the window.' }
			],
			uses: []
		},
		{
			by: 'Helper',
			shows: true,
			trials: [
				...endPointHistory(other, early, named('alk-syringe'), days([20, 17, 9]), 8),
				...scaleHistory(other, addDays(now, -16), 14)
			],
			lessons: [],
			stepNotes: [],
			uses: []
		}
	];
}

/** The one weak on pale blue, of the school. */
export function schoolPractice(now: Instant, methods: readonly Method[]): readonly DemoPractice[] {
	const named = (code: string) => methods.find((m) => m.code === code)!;
	const { paleBlue } = DEMO_READERS;
	const random = seededRandom(1066);
	return [
		{
			by: 'Teacher',
			shows: true,
			trials: [
				...stepsHistory(random, paleBlue, named('po4-card') as ColourMethod, addDays(now, -14)),
				...oddHistory(random, paleBlue, addDays(now, -13)),
				...endPointHistory(random, paleBlue, named('alk-drops'), [addDays(now, -12), addDays(now, -6)], 8)
			],
			lessons: [],
			stepNotes: [],
			uses: [{ at: addDays(now, -5), methodCode: 'po4-card' }]
		}
	];
}
