// Debian's Chromium without a window (a fifth less work for the machine than with one that nobody sees) and without its
// own errands: everything it would look up outside is off.
import puppeteer from 'puppeteer-core';
import { findProgram } from './bootstrap.mjs';
import { stop } from './say.mjs';

/** @param {string[]} extra switches beside the usual ones */
export function launchBrowser(extra = []) {
	const executablePath =
		findProgram('chromium-headless-shell') ?? stop('Chromium is missing; npm test installs it.');
	return puppeteer.launch({
		executablePath,
		args: [
			'--no-sandbox',
			'--disable-gpu',
			'--disable-quic',
			'--no-first-run',
			// A reader who says nothing else reads as the words are written.
			'--lang=en-GB',
			'--accept-lang=en-GB',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync',
			// Windows that stand behind others are used all the same.
			'--disable-renderer-backgrounding',
			'--disable-backgrounding-occluded-windows',
			'--disable-background-timer-throttling',
			...extra
		]
	});
}
