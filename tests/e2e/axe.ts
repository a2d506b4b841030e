import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Person } from './world.ts';

const AXE = readFileSync(join(import.meta.dirname, '../../node_modules/axe-core/axe.min.js'), 'utf8');

/** What axe finds on the page as it stands, and whether it is wider than the screen. */
export async function faultsOn(me: Person): Promise<{ found: string[]; overflows: boolean }> {
	await me.page.evaluate(AXE);
	// A phone that shows too wide a page shrinks it, and calls its own width what the page takes.
	const width = me.page.viewport()!.width;
	return me.page.evaluate(async (room) => {
		const axe = (
			window as unknown as {
				axe: { run(o: object): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
			}
		).axe;
		const { violations } = await axe.run({
			runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']
		});
		return {
			found: violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`),
			overflows: document.documentElement.scrollWidth > room
		};
	}, width);
}
