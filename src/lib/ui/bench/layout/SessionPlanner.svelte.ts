import type { PlanOutcome, PlanProblem } from '$lib/core/bench';
import type { BenchDesk } from '$lib/ui/shared/BenchDesk.svelte';

export type PlanNow = (
	problem: PlanProblem,
	ms: number,
	signal: AbortSignal,
	onbetter: (plan: PlanOutcome['plan']) => void
) => Promise<PlanOutcome>;

/** While tests are laid out there is time to look for long; under way the hands wait for an answer. */
export const LAY_OUT_MS = 1500;
export const UNDER_WAY_MS = 700;

/** Has the order of the session found away from the page, and hands it to the desk. */
export class SessionPlanner {
	/** The search that goes on. */
	busy = $state(false);
	/** Why there is no order, where the search itself failed. */
	fault = $state<string | null>(null);
	#stop: AbortController | null = null;

	constructor(
		private readonly desk: BenchDesk,
		private readonly planNow: PlanNow
	) {}

	/** Looks for an order of what is left; a search that goes on gives way. */
	async plan(): Promise<void> {
		const { desk } = this;
		const { remaining, session } = desk;
		if (!remaining || !session) return;
		this.#stop?.abort();
		const stop = new AbortController();
		this.#stop = stop;
		this.busy = true;
		this.fault = null;
		const take = (outcome: PlanOutcome) => {
			if (!stop.signal.aborted && desk.session?.id === session.id) desk.arrange(outcome);
		};
		try {
			take(
				await this.planNow(
					remaining.problem,
					session.startedAt === null ? LAY_OUT_MS : UNDER_WAY_MS,
					stop.signal,
					(plan) => take({ plan, brokenWishes: [], lateSteps: [] })
				)
			);
		} catch (error) {
			if (!stop.signal.aborted) {
				this.fault = 'No order could be found just now. The tests can be done one after the other.';
				if (!(error instanceof Error)) throw error;
			}
		} finally {
			if (this.#stop === stop) this.busy = false;
		}
	}
	end(): void {
		this.#stop?.abort();
		this.busy = false;
	}
}
