import { afterEach, describe, expect, it, vi } from 'vitest';
import { beginLater, isWritten, pageRuns } from '$lib/ui/kit/late/late-start';

function place(): HTMLElement {
	const made = document.body.appendChild(document.createElement('div'));
	made.append(document.createElement('button'));
	return made;
}

describe('parts that begin to answer one after another', () => {
	afterEach(() => {
		document.body.replaceChildren();
		vi.useRealTimers();
	});

	it('begin in their order, each in a turn of its own, and the page answers when the last of them does', () => {
		vi.useFakeTimers();
		const begun: string[] = [];
		expect(isWritten()).toBe(true);
		for (const name of ['a', 'b', 'c'])
			beginLater(place(), () => begun.push(`${name}${isWritten() ? '' : ' made here'}`));
		const answers = vi.fn();
		pageRuns(answers);
		expect(isWritten()).toBe(false);
		vi.advanceTimersToNextTimer();
		expect(begun).toEqual(['a']);
		expect(isWritten()).toBe(false);
		expect(answers).not.toHaveBeenCalled();
		vi.runAllTimers();
		expect(begun).toEqual(['a', 'b', 'c']);
		expect(answers).toHaveBeenCalledOnce();
	});

	it('begin at a touch before it reaches them, and not a second time', () => {
		vi.useFakeTimers();
		const heard: string[] = [];
		beginLater(place(), () => heard.push('first begun'));
		const touched = place();
		beginLater(touched, () => {
			heard.push('touched begun');
			touched.addEventListener('click', () => heard.push('click'));
		});
		touched.querySelector('button')!.click();
		expect(heard).toEqual(['touched begun', 'click']);
		vi.runAllTimers();
		expect(heard).toEqual(['touched begun', 'click', 'first begun']);
	});

	it('do not begin once they are gone, and hold nobody up', () => {
		vi.useFakeTimers();
		const begun = vi.fn();
		const leave = beginLater(place(), begun);
		const answers = vi.fn();
		pageRuns(answers);
		leave();
		expect(answers).toHaveBeenCalledOnce();
		vi.runAllTimers();
		expect(begun).not.toHaveBeenCalled();
	});

	it('let the others begin where one fails', () => {
		vi.useFakeTimers();
		const begun = vi.fn();
		beginLater(place(), () => {
			throw new Error('nothing to take over');
		});
		beginLater(place(), begun);
		const answers = vi.fn();
		pageRuns(answers);
		expect(() => vi.runAllTimers()).toThrow('nothing to take over');
		vi.runAllTimers();
		expect(begun).toHaveBeenCalledOnce();
		expect(answers).toHaveBeenCalledOnce();
	});
});
