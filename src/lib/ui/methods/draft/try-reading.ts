import { titrationsOf, worthAt, type Method, type Worth } from '$lib/core/method';
import { derive, type RawReading, type TestResult } from '$lib/core/reading';

/** What a reading with a kit would be worth, tried while its leaflet is being entered. */
export interface Trial {
	/** What is typed: "mL left in the syringe". */
	readonly asks: string;
	/** A reading near the middle of what the kit tells, to begin with. */
	readonly usual: string;
	readonly reading: (typed: number) => RawReading;
}

const halfWay = (a: number, b: number, step: number) => Math.round((a + b) / 2 / step) * step;
const text = (value: number) => String(Number(value.toPrecision(6)));

function dropTrial(worth: Worth): Trial {
	const range = worth.by === 'table' ? worth.points.map(([x]) => x) : [0, 20];
	return {
		asks: 'drops until the colour turned',
		usual: text(halfWay(Math.min(...range), Math.max(...range), 1)),
		reading: (typed) => ({ form: 'drops', portion: 'full', least: typed, most: typed, bad: 0 })
	};
}

/** How a method is tried; null for kinds whose reading is a place among colours, which need no arithmetic. */
export function trialOf(method: Method): Trial | null {
	switch (method.kind) {
		case 'syringe-titration':
		case 'back-titration': {
			const { meter, worth } = method.titration;
			if (meter.kind !== 'syringe') return dropTrial(worth);
			const { capacityMl, graduationMl, readAs } = meter;
			const range = worth.by === 'table' ? worth.points.map(([x]) => x) : [0, capacityMl];
			const middle = halfWay(Math.min(...range), Math.max(...range), graduationMl);
			const own = worth.by === 'table' && worth.reads !== readAs ? capacityMl - middle : middle;
			return {
				asks: readAs === 'left' ? 'mL left in the syringe' : 'mL used of the syringe',
				usual: text(Math.max(0, own)),
				reading: (typed) => ({
					form: 'syringe',
					portion: 'full',
					readAs,
					fills: [{ startMl: capacityMl, end: { lowerMl: typed, upperMl: typed } }],
					sure: true
				})
			};
		}
		case 'drop-titration':
			return dropTrial(method.titration.worth);
		case 'display':
			return {
				asks: 'shown on the display',
				usual: text(halfWay(method.range.low, method.range.high, method.resolution)),
				reading: (typed) => ({ form: 'display', portion: 'full', shown: typed, temperatureC: null })
			};
		default:
			return null;
	}
}

/** What the leaflet itself makes of a reading, canonical unit; null where its table ends, and of what it does not reckon. */
export function byLeaflet(method: Method, typed: number): number | null {
	const [titration] = titrationsOf(method);
	const full = method.sampleMl?.full;
	if (!titration || full === undefined) return null;
	const { meter } = titration;
	const used = meter.kind === 'syringe' && meter.readAs === 'left' ? meter.capacityMl - typed : typed;
	const line = worthAt(titration, used, full, full);
	return 'sense' in line ? null : line.atZero + line.perUnit * used;
}

/** The results of a reading that is tried; null where it cannot be made with that kit. */
export function tried(method: Method, trial: Trial, typed: number): readonly TestResult[] | null {
	const derived = derive(method, trial.reading(typed));
	return derived.ok ? derived.value.outcomes.map((o) => o.result) : null;
}
