import { describe, expect, it } from 'vitest';
import { addDays, instant, type Instant } from '../time/index.ts';
import { conductivityOf, judgePurified, type DatedFact, type UnitPart, type UnitStage } from './index.ts';

const now = instant(1_780_000_000_000);
const ago = (days: number): Instant => addDays(now, -days);
const read = (days: number, stage: UnitStage, value: number): DatedFact => ({
	at: ago(days),
	fact: { kind: 'reading', stage, value, unit: 'us-per-cm' }
});
const changed = (days: number, part: UnitPart): DatedFact => ({
	at: ago(days),
	fact: { kind: 'changed', part }
});
const stateOf = (facts: readonly DatedFact[], part: UnitPart) =>
	judgePurified(facts, now).parts.find((p) => p.part === part)!.state;

describe('purified water', () => {
	it('says nothing of itself as long as nobody has measured', () => {
		expect(judgePurified([], now)).toMatchObject({ isPure: null, rejection: null, readings: {} });
		expect(stateOf([], 'resin')).toEqual({ kind: 'unknown' });
	});
	it('shows twice as many microsiemens as ppm', () => expect(conductivityOf(3, 'ppm')).toBe(6));
	it('is pure under 2 µS/cm, and its resin done from there on', () => {
		expect(judgePurified([read(1, 'after-resin', 1.9)], now).isPure).toBe(true);
		expect(judgePurified([read(1, 'after-resin', 2)], now).isPure).toBe(false);
		expect(stateOf([changed(30, 'resin'), read(1, 'after-resin', 2)], 'resin')).toEqual({ kind: 'done' });
	});
	it('is believed for a month: what was pure has to be measured again, what was not stays so', () => {
		expect(judgePurified([read(35, 'after-resin', 0)], now).isPure).toBe(true);
		expect(judgePurified([read(36, 'after-resin', 0)], now).isPure).toBeNull();
		expect(judgePurified([read(300, 'after-resin', 9)], now).isPure).toBe(false);
	});
	it('is not judged by what was read before its resin was changed', () => {
		const facts = [read(3, 'after-resin', 9), changed(2, 'resin')];
		expect(judgePurified(facts, now).isPure).toBeNull();
		expect(stateOf(facts, 'resin')).toEqual({ kind: 'good' });
	});
	it('tells by the tap of the same days what the membrane holds back', () => {
		const good = judgePurified([read(2, 'tap', 500), read(2, 'after-membrane', 15)], now);
		expect(good.rejection).toBeCloseTo(0.97, 10);
		const worn = [changed(900, 'membrane'), read(2, 'tap', 500), read(2, 'after-membrane', 60)];
		expect(stateOf(worn, 'membrane')).toEqual({ kind: 'done' });
		expect(judgePurified([read(90, 'tap', 500), read(2, 'after-membrane', 15)], now).rejection).toBeNull();
	});
	it('asks for a part whose time is up', () => {
		expect(stateOf([changed(200, 'prefilter')], 'prefilter')).toEqual({ kind: 'old', days: 200 });
		expect(stateOf([changed(20, 'prefilter')], 'prefilter')).toEqual({ kind: 'good' });
	});
});
