import type { Vision } from '../../src/lib/core/colour/index.ts';
import { ALK_SYRINGE, SHIPPED_METHODS, type ColourMethod } from '../../src/lib/core/method/index.ts';
import { normalDeviate, roundTo, seededRandom, type Random } from '../../src/lib/core/numeric/index.ts';
import {
	eyeAtBench,
	eyeOf,
	nextPair,
	ownEyeOf,
	pairsKnown,
	priorOf,
	TOLD,
	UNTOLD,
	type PairAnswer
} from '../../src/lib/core/practice/index.ts';
import {
	deriveWith,
	expandedUOf,
	type KnownReader,
	type RawReading
} from '../../src/lib/core/reading/index.ts';
import { biasAt, shareTold, stopOf, type PractisingReader } from '../../src/lib/core/tank/index.ts';

export const READER_BIASES = [-2, -1, 0, 1, 2] as const;
export const READER_SPREADS = [0.3, 0.7, 1.2, 2] as const;
export const READER_LAPSES = [0, 0.05, 0.1] as const;
export const VIALS = [10, 20, 40] as const;
export const ROWS = ['no3-card', 'no3-ladder', 'po4-card', 'nh3-card', 'ph-card'] as const;

/** What the judging readers have and the model lacks: they learn, tire, and stop with a tail towards too late. */
const HUMAN = { learns: 0.3, tires: 0.003 } as const;
/** A screen is no vial: how far a reader's bias and the logarithm of the spread differ between the two, in truth. */
const TRANSFER = { bias: 0.25, logSpread: 0.2 } as const;

export interface StopCell {
	readonly bias: number;
	readonly spread: number;
	readonly lapses: number;
	readonly vials: number;
	readonly runs: number;
	/** How often the interval of 95 % held the bias, and the next stop. */
	readonly biasHeld: number;
	readonly nextHeld: number;
	/** At the bench afterwards: inside their own interval, inside the kit's; and the widths, summed. */
	readonly ownHeld: number;
	readonly kitHeld: number;
	readonly ownWidth: number;
	readonly kitWidth: number;
}

/** Seeds of one cell and the next lie so far apart. */
export const CELL_SEEDS = 100_003;

export const readerOf = (bias: number, spread: number, lapses: number): PractisingReader => ({
	...HUMAN,
	bias,
	spread,
	lapses,
	colourNoise: 3,
	vision: 'usual',
	severity: 0
});

/** One test of alkalinity by syringe at the bench, by hands and kit as they are, as it is entered. */
function benchReading(
	random: Random,
	reader: PractisingReader,
	n: number
): { readonly truth: number; readonly reading: RawReading } {
	const { titration, sampleMl, sampleRelativeTolerance } = ALK_SYRINGE;
	if (titration.meter.kind !== 'syringe' || titration.worth.by !== 'titrant')
		throw new TypeError('no syringe');
	const { tipDropMl, graduationMl, capacityMl } = titration.meter;
	const truth = 7.5 + 1.5 * random();
	const off = (half: number) => 1 + half * (2 * random() - 1);
	const exactMl =
		((truth / 2.80385) * sampleMl!.full * off(sampleRelativeTolerance)) /
		(1000 * titration.worth.molPerL * off(titration.titrantRelativeTolerance));
	// Anywhere within the drop in which they stop; the bench takes half of it off.
	const addedMl = exactMl + (stopOf(random, reader, n) + 0.5) * tipDropMl;
	const start = capacityMl + (random() - 0.5) * graduationMl;
	const endMl = Math.min(capacityMl, Math.max(0, roundTo(start - addedMl, graduationMl)));
	const fills = [{ startMl: capacityMl, end: { lowerMl: endMl, upperMl: endMl } }];
	return { truth, reading: { form: 'syringe', portion: 'full', readAs: 'left', fills, sure: true } };
}

function read(
	reading: RawReading,
	reader?: KnownReader
): { readonly value: number; readonly half: number } | null {
	const derived = deriveWith(ALK_SYRINGE, reading, { droppers: {}, corrections: {}, reader });
	const result = derived.ok ? derived.value.outcomes[0].result : null;
	return result?.kind === 'value' ? { value: result.value, half: expandedUOf(result) } : null;
}

/** Readers of one kind: what ten, twenty and forty vials tell of them, and how they fare at the bench afterwards. */
export function stopCells(
	bias: number,
	spread: number,
	lapses: number,
	runs: number,
	firstSeed: number
): StopCell[] {
	const reader = readerOf(bias, spread, lapses);
	const prior = priorOf(1);
	const tally = VIALS.map((vials) => ({
		vials,
		biasHeld: 0,
		nextHeld: 0,
		ownHeld: 0,
		kitHeld: 0,
		ownWidth: 0,
		kitWidth: 0
	}));
	const cell = Math.round(1000 * (bias + 3) + 100 * spread + 7000 * lapses);
	for (let run = 0; run < runs; run++) {
		const random = seededRandom(firstSeed + run + cell * CELL_SEEDS);
		const answers = Array.from({ length: Math.max(...VIALS) }, (_, n) => ({
			error: stopOf(random, reader, n)
		}));
		for (const t of tally) {
			const eye = eyeOf(prior, answers.slice(0, t.vials));
			const truth = biasAt(reader, t.vials);
			const next = stopOf(random, reader, t.vials);
			t.biasHeld += Number(truth >= eye.bias.lower && truth <= eye.bias.upper);
			t.nextHeld += Number(next >= eye.next.lower && next <= eye.next.upper);
			const real: PractisingReader = {
				...reader,
				bias: truth + normalDeviate(random, 0, TRANSFER.bias),
				learns: 0,
				tires: 0,
				spread: spread * (1 + HUMAN.tires * t.vials) * Math.exp(normalDeviate(random, 0, TRANSFER.logSpread))
			};
			const { truth: holds, reading } = benchReading(random, real, 0);
			const own = read(reading, {
				endPoints: { alkalinity: ownEyeOf(eyeAtBench(eye)) },
				scale: null,
				mixedUp: []
			});
			const kit = read(reading);
			if (!own || !kit) continue;
			t.ownHeld += Number(Math.abs(own.value - holds) <= own.half);
			t.kitHeld += Number(Math.abs(kit.value - holds) <= kit.half);
			t.ownWidth += own.half;
			t.kitWidth += kit.half;
		}
	}
	return tally.map((t) => ({ ...t, bias, spread, lapses, runs }));
}

export interface StepCell {
	readonly row: string;
	readonly vision: Vision;
	readonly runs: number;
	/** Pairs right in under 60 %, how many of them were found; pairs above 90 %, how many of them were accused. */
	readonly untold: number;
	readonly found: number;
	readonly told: number;
	readonly accused: number;
	readonly questions: number;
}

/** Eyes of one kind at one row of steps: their noise from sharp to hardly seeing, each pair of a nearness of its own. */
export function stepCell(row: string, vision: Vision, runs: number, firstSeed: number): StepCell {
	const method = SHIPPED_METHODS.find((m) => m.code === row) as ColourMethod;
	const colours = method.colourSteps.map((s) => s.colour.css);
	const sums = { untold: 0, found: 0, told: 0, accused: 0, questions: 0 };
	const cell = ROWS.findIndex((r) => r === row) * 17 + vision.length;
	for (let run = 0; run < runs; run++) {
		const random = seededRandom(firstSeed + run + cell * CELL_SEEDS);
		const reader: PractisingReader = {
			...readerOf(0, 1, 0),
			colourNoise: 1.5 * Math.exp(3.6 * random()),
			vision,
			severity: 0.5 + 0.5 * random()
		};
		const shares = colours.slice(1).map((b, i) => {
			// Swatches are no vials: each pair is nearer or further than it looks.
			const own = { ...reader, colourNoise: reader.colourNoise * Math.exp(normalDeviate(random, 0, 0.25)) };
			return shareTold(own, colours[i]!, b);
		});
		const answers: PairAnswer[] = [];
		for (let pair = nextPair(colours, answers); pair !== null; pair = nextPair(colours, answers)) {
			answers.push({ pair, right: random() < shares[pair]! });
		}
		sums.questions += answers.length;
		for (const { pair, verdict } of pairsKnown(colours, answers)) {
			const share = shares[pair]!;
			const mixed = verdict === 'mixed up';
			if (share < UNTOLD) {
				sums.untold += 1;
				sums.found += Number(mixed);
			}
			if (share > TOLD) {
				sums.told += 1;
				sums.accused += Number(mixed);
			}
		}
	}
	return { row, vision, runs, ...sums };
}
