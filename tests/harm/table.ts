import { CONVENTIONS, DAILY_LIMITS, LIMITED, type Convention } from '../../src/lib/core/caution/index.ts';
import { PARAMETERS, UNITS } from '../../src/lib/core/quantity/index.ts';
import { ACIDITY, DAILY, MISTYPED } from './doses.ts';
import { AMMONIA, BOUNDS, CYCLE, DOUBTED, LIMITS_KEPT, ORDER } from './judgements.ts';
import type { Situation } from './situation.ts';

export const SITUATIONS: Readonly<Record<string, readonly Situation[]>> = {
	'What is added in a day': DAILY,
	'pH and what falls out': ACIDITY,
	'Typed wrong': MISTYPED,
	'A reading that does not fit': DOUBTED,
	'A bound': BOUNDS,
	'Free ammonia': AMMONIA,
	'A new tank': CYCLE,
	'What comes first': ORDER,
	'How fast, and how far': LIMITS_KEPT
};

const cell = (text: string) => text.replaceAll('|', '\\|').replace(/\s+/g, ' ').trim();
const row = (...cells: string[]) => `| ${cells.map(cell).join(' | ')} |`;

/** The situations with what is advised in each, from the functions themselves. */
export function situationsTable(): string {
	const lines = ['| Situation | What is advised | Never |', '| --- | --- | --- |'];
	for (const [group, situations] of Object.entries(SITUATIONS)) {
		lines.push(row(`**${group}**`, '', ''));
		for (const { what, never, advised } of situations) lines.push(row(what, advised(), never));
	}
	return lines.join('\n');
}

/** What is taken on the safe side, with its reason and source. */
export function conventionsTable(): string {
	const lines = ['| What | | Reason | Source |', '| --- | --- | --- | --- |'];
	for (const { what, value, unit, why, source } of Object.values<Convention>(CONVENTIONS)) {
		lines.push(row(what, `${value} ${unit}`, why, source));
	}
	for (const parameter of LIMITED) {
		const { up, down, why } = DAILY_LIMITS[parameter];
		const { name, canonicalUnit } = PARAMETERS[parameter];
		const said = `${up.cautious} up, ${down.cautious} down; at most ${up.most} and ${down.most} ${UNITS[canonicalUnit].symbol}`;
		lines.push(row(`change of ${name.toLowerCase()} in a day`, said, why, 'husbandry'));
	}
	return lines.join('\n');
}

/** A document with the tables between their marks set anew. */
export function withTables(document: string): string {
	const set = (text: string, mark: string, table: string) =>
		text.replace(
			new RegExp(`(<!-- ${mark} -->)[\\s\\S]*?(<!-- /${mark} -->)`),
			(_, open: string, close: string) => `${open}\n\n${table}\n\n${close}`
		);
	return set(set(document, 'situations', situationsTable()), 'conventions', conventionsTable());
}
