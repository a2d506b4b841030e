import type { AdjustAnswer } from '../../src/lib/contract/adjust.ts';
import type { BenchAnswer } from '../../src/lib/contract/bench.ts';
import { isOutside, shortestDays } from '../../src/lib/core/judgement/index.ts';
import { nameWithin, type ParameterId } from '../../src/lib/core/quantity/index.ts';
import { addDays, civilDate, endOfDay, instant } from '../../src/lib/core/time/index.ts';
import type { WaterDay } from '../../src/lib/server/service/judgement/read-day.ts';

/** What the pages of one water tell at one moment. */
export interface Told {
	readonly day: WaterDay;
	readonly adjust: AdjustAnswer;
	readonly bench: Pick<BenchAnswer, 'due'>;
	/** What somebody planned to read of it today. */
	readonly plannedToday: readonly ParameterId[];
	/** As an iCalendar file, of all tanks. */
	readonly calendar: string;
	readonly name: string;
	readonly isTank: boolean;
	readonly timeZone: string;
}

/** An hour of patience where a time is told to the day. */
const SLACK_DAYS = 1 / 24;

/** What was read in these hours is not asked for again. */
const AT_ONCE_DAYS = 0.5;

/** Everything in which two pages of a water do not agree, in words. Empty where they tell one story. */
export function contradictions({
	day,
	adjust,
	bench,
	plannedToday,
	calendar,
	name,
	isTank,
	timeZone
}: Told): string[] {
	const { today, now } = day;
	const found: string[] = [];
	const due = new Map(today.due.map((d) => [d.parameter, d]));
	const told = [...today.shown, ...today.folded];

	// The bench offers what is due, by the same times and reasons.
	for (const d of bench.due) {
		const same = due.get(d.parameter);
		if (same?.dueAt !== d.dueAt || JSON.stringify(same.why) !== JSON.stringify(d.why)) {
			found.push(`${d.parameter} is due at another time on the bench than on Today`);
		}
	}
	if (bench.due.length !== today.due.length) found.push('the bench knows other due tests than Today');

	// A session that is planned for today is due today.
	const end = endOfDay(now, timeZone);
	for (const parameter of plannedToday) {
		const last = today.rows.find((r) => r.parameter === parameter)?.last.at;
		if (last !== undefined && civilDate(last, timeZone) === civilDate(now, timeZone)) continue;
		const next = due.get(parameter);
		if (!next || next.dueAt > end) found.push(`${parameter} was planned for today, and is not due`);
	}

	// The calendar has an entry for each test, on its day or today where it is overdue.
	const text = calendar.replaceAll(/\r\n[ \t]/g, '');
	const entries = [...text.matchAll(/BEGIN:VEVENT[\s\S]*?END:VEVENT/g)].map(([entry]) => {
		const [, year, month, date] = /DATE:(\d{4})(\d\d)(\d\d)/.exec(entry)!;
		return { day: `${year}-${month}-${date}`, text: entry };
	});
	for (const d of isTank ? today.due : []) {
		const on = [civilDate(d.dueAt, timeZone), civilDate(now, timeZone)].sort().at(-1);
		const entry = entries.some(
			(s) => s.day === on && s.text.includes(`${name}: test`) && s.text.includes(nameWithin(d.parameter))
		);
		if (!entry) found.push(`the calendar has no test of ${d.parameter} on ${on}`);
	}

	// What is outside, or probably so, is read again within its shortest pause, until that is sure or mended.
	const planned = new Set(adjust.plans.filter((p) => p.state === 'running').flatMap((p) => p.title));
	for (const m of told) {
		if (m.kind !== 'verdict' || !isOutside(m.verdict.grade)) continue;
		const row = today.rows.find((r) => r.parameter === m.parameter)!;
		const repair = adjust.repairs.find((r) => r.values.some((v) => v.parameter === m.parameter));
		if (!repair) found.push(`Today finds ${m.parameter} outside, and Adjust knows nothing to do about it`);
		// Where the readings cannot tell, one is asked for soon; what is certain is asked for by its own pause.
		const isSure = m.verdict.grade === 'outside' || m.verdict.grade === 'far-outside';
		const next = due.get(m.parameter);
		const soonest = instant(Math.max(now, addDays(row.last.at, shortestDays(m.parameter))));
		const late = !next || next.dueAt > addDays(soonest, SLACK_DAYS + 2);
		if (isTank && late && !isSure && !planned.has(m.parameter)) {
			const when = next ? `only ${civilDate(next.dueAt, timeZone)}` : 'never';
			found.push(`${m.parameter} is probably outside, and tested again ${when}`);
		}
	}

	// What is told as a danger is put right, not left alone, and is tested again at once: not next week.
	for (const m of told) {
		if (m.kind !== 'verdict' || !m.danger) continue;
		const left = adjust.repairs.find(
			({ repair }) =>
				repair.kind === 'leave' && repair.parameter === m.parameter && repair.why === 'cannot-tell'
		);
		if (left) found.push(`${m.parameter} is a danger, and Adjust leaves it alone`);
		const { last } = today.rows.find((r) => r.parameter === m.parameter)!;
		const next = due.get(m.parameter);
		const atOnce = Math.max(now, addDays(last.at, AT_ONCE_DAYS + SLACK_DAYS));
		if (isTank && (!next || next.dueAt > atOnce)) {
			found.push(`${m.parameter} is a danger to be tested at once, and is not due`);
		}
	}

	// Adjust never puts right what Today calls inside, nor the other way round.
	const gradeOf = (p: ParameterId) => {
		const row = today.rows.find((r) => r.parameter === p);
		return (row?.estimate?.verdict ?? row?.single)?.grade ?? null;
	};
	for (const { repair, values } of adjust.repairs) {
		if (repair.kind === 'leave') continue;
		for (const v of values) {
			if (gradeOf(v.parameter) === 'inside')
				found.push(`Adjust puts ${v.parameter} right, and Today calls it inside`);
		}
	}

	// A plan's next test is a test that is due, no later.
	for (const plan of adjust.plans.filter((p) => p.state === 'running')) {
		for (const step of plan.today) {
			if (step.what.kind !== 'test' || step.state !== 'open') continue;
			for (const p of step.what.parameters) {
				const next = due.get(p);
				if (!next || next.dueAt > addDays(now, 1)) found.push(`a plan tests ${p} today, and it is due later`);
			}
		}
	}
	// Plans that go on stand on both pages.
	const ids = (plans: readonly { readonly id: string; readonly state: string }[]) =>
		plans
			.filter((p) => p.state === 'running')
			.map((p) => p.id)
			.sort()
			.join();
	if (ids(today.plans) !== ids(adjust.plans)) found.push('Today and Adjust know other plans that run');
	return found;
}
