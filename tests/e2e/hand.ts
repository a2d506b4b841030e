import { expect } from 'vitest';
import type { Person } from './world.ts';

/** From the bench to the instrument of a method. */
export async function begin(me: Person, code: string): Promise<void> {
	await me.goto('/bench');
	await me.choose(code);
	await me.press('Start ');
	await me.toReading();
}
/** The result is saved, and stands first in the log with its raw reading. */
export async function saved(me: Person, what: RegExp, raw: RegExp): Promise<void> {
	await me.press('Save the result');
	await me.sees('Saved.');
	await me.goto('/log');
	await me.sees(what);
	await me.sees(raw);
	expect(me.complaints).toEqual([]);
}
const field = (label: string) => `xpath/.//label[contains(., "${label}")]/following::input[1]`;
/** Types into a field as a hand does, over what stood there. */
export async function type(me: Person, label: string, text: string): Promise<void> {
	const input = (await me.page.waitForSelector(field(label)))!;
	await input.click({ count: 3 });
	await me.page.keyboard.press('Backspace');
	await me.page.keyboard.type(text);
	await me.page.keyboard.press('Tab');
}
/** Nonsense is answered in words, and what stood before stays. */
export async function refuses(
	me: Person,
	label: string,
	nonsense: readonly string[],
	stays: string
): Promise<void> {
	for (const text of nonsense) {
		await type(me, label, text);
		await me.page.waitForSelector('[role=alert]');
		const value = await (await me.page.waitForSelector(field(label)))!.evaluate(
			(e) => (e as HTMLInputElement).value
		);
		expect(value, `after "${text.slice(0, 20)}"`).toBe(stays);
	}
}
