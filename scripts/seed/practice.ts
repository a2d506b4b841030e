// What the members of a demo site answered in practice, through the same services as the application.
import { stepsFor, SHIPPED_METHODS } from '../../src/lib/core/method/index.ts';
import type { SiteStory } from '../../src/lib/demo/story.ts';
import type { SiteScope } from '../../src/lib/server/repository/scope.ts';
import { must, type Teller } from './teller.ts';

/** As many as one command takes. */
const MOST_TRIALS = 80;

/** @param scopes of the site's members, by name */
export async function fillPractice(
	teller: Teller,
	scopes: ReadonlyMap<string, SiteScope>,
	waterId: string,
	story: SiteStory
): Promise<void> {
	const { practice } = teller.services;
	for (const { by, shows, trials, uses, lessons, stepNotes } of story.practice) {
		const scope = scopes.get(by)!;
		for (let from = 0; from < trials.length; from += MOST_TRIALS) {
			const sent = trials.slice(from, from + MOST_TRIALS).map(({ at, trial }) => ({ answeredAt: at, trial }));
			teller.at(teller.now);
			must(await practice.savePractice(scope, { id: teller.newId(), waterId, trials: sent }));
		}
		must(await practice.sharePractice(scope, { id: teller.newId(), deed: { kind: 'share', shown: shows } }));
		for (const { at, forName, methodCode, vials, note } of lessons) {
			teller.at(at);
			const subject = { kind: 'end-point', methodCode, titration: 0 } as const;
			const forMember = scopes.get(forName)!.membershipId;
			const deed = { kind: 'lesson', forMember, subject, vials, note } as const;
			must(await practice.mentorPractice(scope, { id: teller.newId(), deed }));
		}
		for (const { methodCode, note } of stepNotes) {
			const method = SHIPPED_METHODS.find((m) => m.code === methodCode)!;
			const stepId = stepsFor(method, 'full').find((s) => s.action.kind === 'drops')!.id;
			const deed = { kind: 'step-note', methodCode, stepId, note } as const;
			must(await practice.mentorPractice(scope, { id: teller.newId(), deed }));
		}
		for (const { at, methodCode } of uses) {
			teller.at(at);
			const subject = { kind: 'steps', methodCode } as const;
			const command = { id: teller.newId(), subject, decision: 'use', span: 'from-now' } as const;
			must(await practice.decideReader(scope, command));
		}
		teller.at(teller.now);
	}
}
