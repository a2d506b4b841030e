import type { Outbox } from '$lib/client/outbox.svelte';
import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
import type { SaveTestRun } from '$lib/contract/test-run';
import type { SlipCandidate, SlipKind } from '$lib/core/plausibility';
import { knownReader } from '$lib/core/practice';
import { PARAMETERS, type ParameterId } from '$lib/core/quantity';
import type { TestResult } from '$lib/core/reading';
import { instant, offsetMinutes, type Instant } from '$lib/core/time';
import { faultText } from '$lib/format/faults/faults';
import { emptyReading, type Habits } from '$lib/ui/shared/reading-draft';
import { offersFor } from '../choose/propose';
import { usualKit } from '../make-draft';
import { measure, type Measurement } from '../read/measure';
import { isTypeable, typedReading } from './typed-reading';

/** What was saved of a row. */
export interface SavedRow {
	readonly results: readonly TestResult[];
	/** It waits on this device for the server. */
	readonly here: boolean;
}

/** A test whose reading was taken, to be typed. Its ids never change, so that saving twice stores it once. */
export interface TakenRow {
	readonly parameter: ParameterId;
	readonly code: string;
	readonly typed: Readonly<Record<string, string>>;
	readonly ids: { readonly run: string; readonly sample: string; readonly reading: string };
	/** The slip that was asked about, and what was answered. */
	readonly slip: { readonly kind: SlipKind; readonly answer: 'that-is-it' | 'as-entered' } | null;
	/** The reading that a slip was put right to. */
	readonly put: SlipCandidate | null;
	readonly saved: SavedRow | null;
	/** Why it was not taken. */
	readonly refused: string;
}

/** Readings that are typed were mostly taken just now; what the server derives by their very time takes their place. */
const AS_READ_NOW = instant(8.64e15);

interface Given {
	readonly waterId: string;
	readonly bench: BenchAnswer;
	readonly habits: Habits;
	readonly timeZone: string;
}

/** Readings that were taken already, typed one after the other and saved together. */
export class TakenState {
	rows = $state.raw<readonly TakenRow[]>([]);
	saving = $state(false);
	readonly #given: () => Given;
	readonly #newId: () => string;
	readonly #outbox: Outbox;

	constructor(given: () => Given, newId: () => string, outbox: Outbox) {
		this.#given = given;
		this.#newId = newId;
		this.#outbox = outbox;
		const { bench } = given();
		const usual = bench.usual.filter((p) => this.offers(p).some((o) => o.lastUsedAt !== null));
		const begun = usual.length > 0 ? usual : bench.usual.filter((p) => this.offers(p).length > 0).slice(0, 5);
		this.rows = begun.map((p) => this.#row(p));
	}

	/** Methods whose reading can be typed, the one used last first. */
	offers(parameter: ParameterId): readonly BenchOffer[] {
		return offersFor(this.#given().bench, parameter).filter((o) => isTypeable(o.method));
	}
	/** What could be added. */
	get more(): readonly ParameterId[] {
		const all = this.#given().bench.offers.map((o) => o.method.parameter);
		return all.filter((p, i) => all.indexOf(p) === i && this.offers(p).length > 0);
	}
	add(parameter: ParameterId): void {
		this.rows = [...this.rows, this.#row(parameter)];
	}
	offerOf(row: TakenRow): BenchOffer {
		const all = this.offers(row.parameter);
		return all.find((o) => o.method.code === row.code) ?? all[0]!;
	}
	change(row: TakenRow, change: Partial<Pick<TakenRow, 'code' | 'typed' | 'slip' | 'put'>>): void {
		// Another reading is asked about anew.
		const anew = 'typed' in change || 'code' in change ? { slip: null, put: null } : {};
		this.rows = this.rows.map((r) =>
			r.ids.run === row.ids.run ? { ...r, ...anew, ...change, refused: '' } : r
		);
	}
	read(row: TakenRow) {
		const { habits } = this.#given();
		const { method } = this.offerOf(row);
		return typedReading(method, 'full', emptyReading(method, habits), row.typed);
	}
	/** What follows from a row as it stands; null while nothing does. */
	measured(row: TakenRow): Measurement | null {
		const { bench } = this.#given();
		const offer = this.offerOf(row);
		const method = row.put?.method ?? offer.method;
		const reading = row.put?.reading ?? this.read(row).reading;
		if (!reading) return null;
		return measure(
			method,
			reading,
			offer.contexts,
			{
				kit: usualKit(bench, method),
				reader: knownReader(method, bench.readerDecisions ?? [], AS_READ_NOW) ?? null
			},
			{ others: bench.offers.map((o) => o.method), priors: bench.slipPriors }
		);
	}
	/** Rows that were read and are not saved yet. */
	get open(): readonly TakenRow[] {
		return this.rows.filter((r) => !r.saved && (this.measured(r)?.outcomes.length ?? 0) > 0);
	}
	/** A row that somebody began and that says nothing yet, or cannot be meant. */
	get unfinished(): readonly TakenRow[] {
		return this.rows.filter(
			(r) =>
				!r.saved &&
				Object.values(r.typed).some((t) => t.trim() !== '') &&
				(this.measured(r)?.outcomes.length ?? 0) === 0
		);
	}

	/** Saves what was read, each by itself: what is refused takes none of its neighbours along. */
	async save(at: Instant): Promise<void> {
		if (this.saving) return;
		this.saving = true;
		try {
			for (const row of this.open) {
				const measurement = this.measured(row)!;
				const answer = await this.#outbox.put<{ results: TestResult[] }>({
					id: row.ids.run,
					url: `/api/waters/${this.#given().waterId}/test-runs`,
					command: this.#command(row, measurement, at),
					label: `${PARAMETERS[row.parameter].name}, ${this.#given().bench.waterName}`
				});
				if (answer.kind === 'refused') {
					await this.#outbox.forget(row.ids.run);
					this.#note(row, { refused: faultText(answer.fault) });
				} else {
					const here = measurement.outcomes.map((o) => o.outcome.result);
					this.#note(row, {
						refused: '',
						saved: {
							results: answer.kind === 'ok' ? answer.value.results : here,
							here: answer.kind !== 'ok'
						}
					});
				}
			}
		} finally {
			this.saving = false;
		}
	}
	#note(row: TakenRow, change: Partial<Pick<TakenRow, 'saved' | 'refused'>>): void {
		this.rows = this.rows.map((r) => (r.ids.run === row.ids.run ? { ...r, ...change } : r));
	}
	#command(row: TakenRow, { reading }: Measurement, at: Instant): SaveTestRun {
		const { waterId, bench, timeZone } = this.#given();
		const method = row.put?.method ?? this.offerOf(row).method;
		const kit = usualKit(bench, method);
		return {
			id: row.ids.run,
			sampleId: row.ids.sample,
			readingId: row.ids.reading,
			waterId,
			methodCode: method.code,
			methodVersion: method.version,
			drawnAt: at,
			startedAt: at,
			finishedAt: at,
			offsetMinutes: offsetMinutes(at, timeZone),
			...(kit ? { itemIds: [kit.id] } : {}),
			reading,
			...(row.slip ? { slip: row.slip } : {}),
			stepLog: [],
			note: ''
		};
	}
	#row(parameter: ParameterId): TakenRow {
		return {
			parameter,
			code: this.offers(parameter)[0]!.method.code,
			typed: {},
			ids: { run: this.#newId(), sample: this.#newId(), reading: this.#newId() },
			slip: null,
			put: null,
			saved: null,
			refused: ''
		};
	}
}
