/**
 * Parts of a page that the server wrote and that begin to answer one after another, each in a task of its own, instead
 * of all in one that holds a slow telephone for half a second. Touched, a part begins at once, before the touch
 * reaches it.
 */

/** Ways in which a hand reaches a part; each is heard before the part itself would hear it. */
const TOUCHES = ['pointerdown', 'focusin', 'keydown', 'click', 'input', 'submit', 'toggle'] as const;

/** A part that stands there and does not answer yet. */
interface Waiting {
	readonly place: Element;
	readonly begin: () => void;
}

const waiting = new Set<Waiting>();
/** Whether what the server wrote is being taken over: of the page until it runs, then of a part while it begins. */
let takesOver = typeof document !== 'undefined';
let isDue = false;
let whenAll: (() => void) | null = null;

/** True where a part finds itself written by the server; false where it is made here, as on the way to another page. */
export function isWritten(): boolean {
	return takesOver;
}

function begin(part: Waiting): void {
	if (!waiting.delete(part)) return;
	const before = takesOver;
	takesOver = true;
	try {
		part.begin();
	} finally {
		takesOver = before;
		if (waiting.size === 0) allAnswer();
	}
}

function allAnswer(): void {
	for (const touch of TOUCHES) document.removeEventListener(touch, onTouch, true);
	whenAll?.();
	whenAll = null;
}

function onTouch(event: Event): void {
	const { target } = event;
	if (!(target instanceof Node)) return;
	for (const part of waiting) if (part.place.contains(target)) begin(part);
}

/** One part, then the hands and the picture have their turn, then the next. */
function goOn(): void {
	isDue = false;
	const [part] = waiting;
	if (!part) return;
	try {
		begin(part);
	} finally {
		// One that fails takes no other along.
		soon();
	}
}

function soon(): void {
	if (isDue || waiting.size === 0) return;
	isDue = true;
	setTimeout(goOn);
}

/**
 * Puts a part in line.
 *
 * @returns takes it out of the line again
 */
export function beginLater(place: Element, part: () => void): () => void {
	if (waiting.size === 0) for (const touch of TOUCHES) document.addEventListener(touch, onTouch, true);
	const one = { place, begin: part };
	waiting.add(one);
	soon();
	return () => {
		if (waiting.delete(one) && waiting.size === 0) allAnswer();
	};
}

/** To be said once, when the page itself runs; what is made from now on is made here. */
export function pageRuns(then: () => void): void {
	takesOver = false;
	if (waiting.size === 0) then();
	else whenAll = then;
}
