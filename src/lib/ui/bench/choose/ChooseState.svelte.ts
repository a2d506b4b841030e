import { untrack } from 'svelte';
import type { BenchAnswer, BenchOffer } from '$lib/contract/bench';
import { HAPPENINGS, type Happening } from '$lib/core/judgement';
import type { Instant } from '$lib/core/time';
import { usualKit, type StartChoice } from '../make-draft';
import type { BenchAsked } from './asked';
import type { Chosen } from './chosen';
import { readySets } from './ready-sets';
import { lengthOf, proposalsFor, type Limit, type Proposal } from './propose';

interface Input {
	readonly waterId: string;
	readonly bench: BenchAnswer;
	/** What is known of the other waters that were asked for. */
	readonly benchOf: (waterId: string) => BenchAnswer | undefined;
	readonly timeZone: string;
	readonly now: Instant;
	readonly asked: BenchAsked;
}

function plainChoice(own: BenchAnswer, offer: BenchOffer): StartChoice {
	return {
		portion: 'full',
		dilution: null,
		ageH: 0,
		keptHow: '',
		kit: usualKit(own, offer.method),
		standard: null
	};
}

/** Which tests are proposed, and what the keeper changes in that: ticked, by which method, how often, and others besides. */
export class ChooseState {
	readonly #input: () => Input;
	what = $state<Happening | ''>('');
	limit = $state<Limit>('all');
	/** Other waters in the same session. */
	also = $state.raw<readonly string[]>([]);
	/** Picked in the list of all tests; until then nothing is. */
	method = $state<string | null>(null);
	/** It began with a set of the keeper's own, and not with what is due. */
	#isSet = false;
	/** What the keeper changed against the proposal, by key. */
	#picked = $state.raw<Readonly<Record<string, boolean>>>({});
	#methodOf = $state.raw<Readonly<Record<string, string>>>({});
	#timesOf = $state.raw<Readonly<Record<string, number>>>({});
	added = $state.raw<readonly Chosen[]>([]);

	constructor(input: () => Input) {
		this.#input = input;
		const { asked, bench, waterId } = untrack(input);
		this.what = HAPPENINGS.find((h) => h === asked.what) ?? '';
		this.method = asked.method;
		const set = asked.set
			? readySets(bench, waterId, untrack(input).benchOf, untrack(input).now, untrack(input).timeZone).find(
					(s) => s.set?.id === asked.set || (asked.set === 'usual' && s.set === null)
				)
			: undefined;
		this.#isSet = set !== undefined;
		this.added =
			set?.tests ??
			(asked.tests ?? []).flatMap((code): Chosen[] => {
				const offer = bench.offers.find((o) => o.method.code === code);
				return offer ? [{ waterId, offer, choice: plainChoice(bench, offer), times: asked.times ?? 1 }] : [];
			});
	}

	readonly waters = $derived.by(() => {
		const { waterId, bench, benchOf } = this.#input();
		return [waterId, ...this.also].flatMap((id) => {
			const own = id === waterId ? bench : benchOf(id);
			return own ? [{ id, bench: own }] : [];
		});
	});
	readonly proposed = $derived.by(() => {
		const { now, timeZone } = this.#input();
		return this.waters.map(({ id, bench: own }) => ({
			id,
			name: own.waterName,
			...proposalsFor(own, id, this.what === '' ? null : this.what, this.limit, now, timeZone)
		}));
	});
	readonly #all = $derived(this.proposed.flatMap((w) => w.proposals));
	/** What is laid out when one goes on. */
	readonly chosen = $derived.by<readonly Chosen[]>(() => [
		...this.#all.filter((p) => this.isOn(p)).map((p) => this.chosenOf(p)),
		...this.added
	]);
	/** Due, and left out. */
	readonly rest = $derived.by<readonly Chosen[]>(() =>
		this.#all.filter((p) => p.isDue && !this.isOn(p)).map((p) => this.chosenOf(p))
	);
	readonly lengthS = $derived.by(() =>
		this.chosen.length === 0
			? 0
			: lengthOf(this.chosen.flatMap((c) => Array.from({ length: c.times }, () => c.offer)))
	);
	/** What was picked in the list of all tests. */
	readonly offer = $derived.by(
		() => this.#input().bench.offers.find((o) => o.method.code === this.method) ?? null
	);

	isOn(p: Proposal): boolean {
		// Who comes to compare two methods tests these, and not what is due besides.
		const usual =
			!this.#isSet &&
			(this.#input().asked.tests ?? []).length === 0 &&
			(this.proposed.find((w) => w.id === p.waterId)?.fitting.has(p.key) ?? false);
		return this.#picked[p.key] ?? usual;
	}
	offerOf(p: Proposal): BenchOffer {
		return p.offers.find((o) => o.method.code === this.#methodOf[p.key]) ?? p.offers[0]!;
	}
	timesOf(p: Proposal): number {
		return this.#timesOf[p.key] ?? 1;
	}
	chosenOf(p: Proposal): Chosen {
		const offer = this.offerOf(p);
		return {
			waterId: p.waterId,
			offer,
			choice: plainChoice(this.waters.find((w) => w.id === p.waterId)!.bench, offer),
			times: this.timesOf(p)
		};
	}

	tick(p: Proposal, on: boolean): void {
		this.#picked = { ...this.#picked, [p.key]: on };
	}
	takeMethod(p: Proposal, code: string): void {
		this.#methodOf = { ...this.#methodOf, [p.key]: code };
	}
	repeat(p: Proposal, times: number): void {
		this.#timesOf = { ...this.#timesOf, [p.key]: times };
	}
	/** Something has happened, or there is less time: another proposal, unchanged by what was changed in the last. */
	change(what: Happening | '', limit: Limit): void {
		this.what = what;
		this.limit = limit;
		this.#picked = {};
	}
	/** The picked test, with its own settings, beside what is proposed. */
	add(choice: StartChoice): void {
		const { offer } = this;
		if (offer) this.added = [...this.added, { waterId: this.#input().waterId, offer, choice, times: 1 }];
		this.method = null;
	}
	leaveOut(one: Chosen): void {
		this.added = this.added.filter((other) => other !== one);
	}
}
