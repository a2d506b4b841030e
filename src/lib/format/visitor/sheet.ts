import type { SheetRow, SheetWords } from '$lib/contract/sheet';
import type { TodayAnswer } from '$lib/contract/today';
import type { ProfileId } from '$lib/core/judgement';
import { PROFILES } from '$lib/core/judgement';
import type { MatterToday, ParameterToday } from '$lib/core/judgement/water';
import { nameWithin, PARAMETERS, UNITS, type ParameterId, type UnitId } from '$lib/core/quantity';
import { standardUncertaintyOf } from '$lib/core/uncertainty';
import { ago, longDay, shortDay } from '../date.ts';
import { dangerWords, matterWords, type MatterContext } from '../judgement/matter.ts';
import { boundSentence, gradeWords, isWarning, rateSentence } from '../judgement/verdict.ts';
import { bandInUnit, headlineOf, inUnit } from '../quantity.ts';
import { litresWords } from '../volume.ts';

const symbolOf = (parameter: ParameterId, unit: UnitId) =>
	UNITS[unit].symbol === PARAMETERS[parameter].name ? '' : UNITS[unit].symbol;

function rowWords(row: ParameterToday, { units, timeZone, now }: MatterContext): SheetRow {
	const { parameter, band, estimate, last, single } = row;
	const unit = units[parameter];
	const symbol = symbolOf(parameter, unit);
	const named = {
		name: PARAMETERS[parameter].name,
		wanted: band ? `${bandInUnit(parameter, band, unit)} ${symbol}`.trim() : 'nothing set',
		read: `Read ${ago(last.at, timeZone, now)}`
	};
	if (estimate) {
		const u = standardUncertaintyOf(estimate.now);
		const { value, plusMinus } = inUnit(parameter, estimate.now.value, u, unit);
		const { grade, side } = estimate.verdict;
		return {
			...named,
			value,
			plusMinus: `± ${plusMinus} ${symbol}`.trim(),
			verdict: gradeWords(grade, side),
			outside: isWarning(grade),
			means: rateSentence({ parameter, ...estimate }, unit)
		};
	}
	const head = headlineOf(last.result, unit);
	const grade = single?.grade ?? null;
	return {
		...named,
		value: head.large,
		plusMinus: head.small,
		verdict: grade === null ? 'Cannot be judged yet' : gradeWords(grade, single?.side ?? null),
		outside: isWarning(grade),
		means:
			last.result.kind === 'bound' ? boundSentence(last.result, band, unit) : 'One reading: no trend yet.'
	};
}

/** What only whoever keeps the record can clear up: single readings in doubt, and when a use began to change. */
const OF_THE_RECORD: ReadonlySet<MatterToday['kind']> = new Set(['doubt', 'move', 'departure']);

interface Described {
	readonly name: string;
	readonly netVolumeL: number | null;
	readonly profile: ProfileId | null;
}

/** What a visitor is told of a water: where it stands, what that means, and what is to be done, in words for paper. */
export function sheetWords(
	water: Described,
	{ today, dangers }: { readonly today: TodayAnswer; readonly dangers: readonly MatterToday[] },
	by: string,
	note: string,
	context: MatterContext
): SheetWords {
	const { timeZone, now } = context;
	const about = [
		water.netVolumeL === null ? '' : litresWords(water.netVolumeL),
		water.profile ? PROFILES[water.profile].name.toLowerCase() : ''
	];
	const rest = [...today.shown, ...today.folded].filter((m) => !m.danger && !OF_THE_RECORD.has(m.kind));
	const next = [...today.due].sort((a, b) => a.dueAt - b.dueAt).slice(0, 6);
	return {
		water: water.name,
		about: about.filter(Boolean).join(', '),
		at: longDay(now, timeZone),
		by,
		note,
		rows: today.rows.map((row) => rowWords(row, context)),
		todo: [
			...dangers.map((m) => ({ ...titled(dangerWords(m, context)), danger: true })),
			...rest.map((m) => ({ ...titled(matterWords(m, context)), danger: false }))
		],
		next: next
			.map((t) => `${nameWithin(t.parameter)} ${t.dueAt <= now ? 'now' : shortDay(t.dueAt, timeZone, now)}`)
			.join(', ')
	};
}

const titled = ({ title, text }: { readonly title: string; readonly text: string }) => ({ title, text });
