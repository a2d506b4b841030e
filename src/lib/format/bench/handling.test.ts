import { describe, expect, it } from 'vitest';
import { SHIPPED_METHODS, stepsFor } from '$lib/core/method';
import { LID_SCHOOLS, MIXING_SCHOOLS, RINSE_SCHOOLS, USUAL_HANDLING } from '$lib/contract/handling';
import { handled } from './handling';

describe('a step as somebody is used to it', () => {
	const steps = SHIPPED_METHODS.flatMap((m) => stepsFor(m, 'full'));
	it('is as written where nobody chose anything', () => {
		for (const step of steps) expect(handled(step, USUAL_HANDLING).say).toBe(step.say);
	});
	it('keeps what is counted and timed, whatever is chosen', () => {
		for (const rinse of RINSE_SCHOOLS) {
			for (const mixing of MIXING_SCHOOLS) {
				for (const lid of LID_SCHOOLS) {
					for (const step of steps) expect(handled(step, { rinse, mixing, lid }).action).toBe(step.action);
				}
			}
		}
	});
	it('rinses with the sample alone, stirs with a stirrer, leaves the lid off', () => {
		const rinse = steps.find((s) => s.action.kind === 'prepare')!;
		expect(handled(rinse, { ...USUAL_HANDLING, rinse: 'sample' }).say).toContain(
			'twice with the water to be tested'
		);
		const swirl = steps.find((s) => s.action.kind === 'swirl' && s.say.startsWith('Swirl'))!;
		expect(handled(swirl, { ...USUAL_HANDLING, mixing: 'stirrer' }).say).toMatch(
			/^Stir with the stirrer for/
		);
	});
});
