import type { Page } from 'puppeteer-core';

/** How long a person would wait before calling it broken. */
export const PATIENCE_MS = 40_000;
/** A document that is being left may not answer at all: it is asked anew after so long. */
const ANSWERED_MS = 5000;
/** At every frame would cost more than all that is looked for. */
const POLLED_MS = 40;
/** What is taken hold of stands there at once, or as soon as the page has drawn what was asked of it. */
const DRAWN_MS = 5000;

export const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Looks until there is something, or null after so long. It is asked from outside the page each time: a wait that lives in
 * the page is lost, now and then, with the document in which it began.
 */
export async function lookUntil<T>(
	look: () => Promise<T>,
	patienceMs: number
): Promise<NonNullable<T> | null> {
	const end = Date.now() + patienceMs;
	do {
		const unanswered = new Promise<null>((resolve) => setTimeout(resolve, ANSWERED_MS, null));
		const found = await Promise.race([look().catch(() => null), unanswered]);
		if (found) return found;
		await sleep(POLLED_MS);
	} while (Date.now() < end);
	return null;
}

/** Runs in every page before its own programs: what it has asked for and not yet been told. */
function countQuestions(): void {
	const asked = { open: 0 };
	Object.assign(window, { asked });
	const original = window.fetch.bind(window);
	window.fetch = (...args) => {
		asked.open++;
		return original(...args).finally(() => asked.open--);
	};
}

/** Loads and reloads end when the page is there, its script runs, and it asks for nothing more. */
function loadsWhole(page: Page): void {
	const [goto, reload] = [page.goto.bind(page), page.reload.bind(page)];
	const settled = async () => {
		if (!page.isJavaScriptEnabled()) return;
		// A page that is no page of ours (a file, a refusal) never says so.
		await page.waitForSelector('html[data-running]', { timeout: 4000 }).catch(() => undefined);
		// What goes on being asked, such as for a server that is away, is nothing to wait for.
		await page
			.evaluate(async (most) => {
				const { asked } = window as unknown as { asked: { open: number } };
				const end = performance.now() + most;
				for (let quiet = 0; quiet < 4 && performance.now() < end;) {
					await new Promise((done) => setTimeout(done, 20));
					quiet = asked.open === 0 ? quiet + 1 : 0;
				}
			}, 2500)
			.catch(() => undefined);
	};
	page.goto = async (url, options) => {
		const response = await goto(url, { ...options, waitUntil: 'load' });
		await settled();
		return response;
	};
	page.reload = async (options) => {
		const response = await reload({ ...options, waitUntil: 'load' });
		await settled();
		return response;
	};
}

/** Waits are asked from outside the page, like all that is looked for. */
function waitsFromOutside(page: Page): void {
	const waitForSelector = async (selector: string, { timeout = PATIENCE_MS, visible = false } = {}) => {
		const found = await lookUntil(async () => {
			const handle = await page.$(selector);
			return handle && (!visible || (await handle.isVisible())) ? handle : null;
		}, timeout);
		if (found) return found;
		throw new Error(`waited for ${selector} at ${page.url()}`);
	};
	const waitForFunction = async (
		look: string | ((...args: unknown[]) => unknown),
		{ timeout = PATIENCE_MS } = {},
		...args: unknown[]
	) => {
		const found = await lookUntil(async () => {
			const handle = await page.evaluateHandle(look, ...args);
			if (await handle.evaluate((value) => Boolean(value))) return handle;
			await handle.dispose();
			return null;
		}, timeout);
		if (found) return found;
		throw new Error(`waited at ${page.url()} for ${String(look).slice(0, 300)}`);
	};
	page.waitForSelector = waitForSelector as typeof page.waitForSelector;
	page.waitForFunction = waitForFunction as typeof page.waitForFunction;
}

/** What is taken hold of is waited for first: a press is answered after the next drawing of the page. */
function takesHoldOfWhatIsDrawn(page: Page): void {
	const drawn = (selector: string) => lookUntil(() => page.$(selector), DRAWN_MS);
	const after = <A extends unknown[], R>(act: (selector: string, ...rest: A) => Promise<R>) => {
		return async (selector: string, ...rest: A): Promise<R> => {
			await drawn(selector);
			return act(selector, ...rest);
		};
	};
	page.$$ = after(page.$$.bind(page)) as typeof page.$$;
	page.$eval = after(page.$eval.bind(page) as never) as typeof page.$eval;
	page.click = after(page.click.bind(page));
	page.focus = after(page.focus.bind(page));
	page.hover = after(page.hover.bind(page));
	page.select = after(page.select.bind(page));
	page.type = after(page.type.bind(page));
}

/** A page that is used as a person does: waiting for what comes, and looking before taking hold. */
export async function patient(page: Page): Promise<void> {
	await page.evaluateOnNewDocument(countQuestions);
	waitsFromOutside(page);
	takesHoldOfWhatIsDrawn(page);
	loadsWhole(page);
}
