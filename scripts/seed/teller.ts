// Whoever tells a story of the demo: through the same services as the application, at the moments of which it tells.
import type { BenchEntry } from '../../src/lib/core/bench/index.ts';
import { stepsFor, timerSecondsOf, type Method, type Portion } from '../../src/lib/core/method/index.ts';
import type { Result } from '../../src/lib/core/result/index.ts';
import { addSeconds, type Instant } from '../../src/lib/core/time/index.ts';
import type { DemoShelf } from '../../src/lib/demo/story.ts';
import { idMaker } from '../../src/lib/server/clock.ts';
import type { Connection } from '../../src/lib/server/db/connect.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import { createServices } from '../../src/lib/server/services.ts';

/** Has a clock that stands at the moment of which the story tells, so that "received" fits "happened". */
export class Teller {
	readonly now: Instant;
	readonly deps;
	readonly services;
	#moment: Instant;

	constructor({ db }: Connection, now: Instant) {
		this.now = now;
		this.#moment = now;
		const clock = { now: () => this.#moment };
		this.deps = { db, clock, newId: idMaker(clock) };
		this.services = createServices(this.deps);
	}
	get moment(): Instant {
		return this.#moment;
	}
	at(moment: Instant): void {
		this.#moment = moment;
	}
	newId(): string {
		return this.deps.newId();
	}
}

export function must<T>(result: Result<T>): T {
	if (!result.ok) throw new Error(`the demo world was refused: ${JSON.stringify(result.fault)}`);
	return result.value;
}

/** A step log as a calm hand leaves it: every step done in its time. */
export function calmLog(method: Method, portion: Portion, start: Instant): BenchEntry[] {
	const log: BenchEntry[] = [];
	let at = start;
	for (const step of stepsFor(method, portion)) {
		const { action } = step;
		const seconds = timerSecondsOf(step);
		if (action.kind === 'drops') {
			for (let i = 0; i < action.count; i++) log.push({ at: (at = addSeconds(at, 2)), kind: 'drop' });
		} else if (seconds !== null) {
			log.push({ at, kind: 'timer-started' });
			at = addSeconds(at, seconds + 1);
		} else if ('handsS' in action) at = addSeconds(at, action.handsS);
		log.push({ at, kind: 'step-done' });
	}
	return log;
}

/** Where in a site a story is told. */
export interface At {
	readonly scopes: readonly [SiteScope, SiteScope];
	/** What stands on the site's shelf, and the ids that its things were given. */
	readonly shelf: DemoShelf;
	readonly itemIds: ReadonlyMap<string, string>;
	readonly waterId: string;
	readonly timeZone: string;
}
