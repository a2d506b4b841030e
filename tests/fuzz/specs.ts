import fc from 'fast-check';
import { EVENT_KINDS } from '../../src/lib/core/record/index.ts';
import { SHELF_KINDS } from '../../src/lib/contract/choices.ts';
import { SHIPPED_METHODS, stepsFor } from '../../src/lib/core/method/index.ts';
import { PARAMETER_IDS, PARAMETERS } from '../../src/lib/core/quantity/index.ts';
import { anyReading } from '../support/extreme-readings.ts';
import { pick, type Chance } from './nonsense.ts';

/** What an attack knows of the world that it attacks. */
export interface Target {
	readonly waterId: string;
	readonly nowMs: number;
	readonly newId: () => string;
	/** Ids that a page of this kind links to. */
	readonly known: Readonly<Record<'reading' | 'item' | 'plan', readonly string[]>>;
}

/** How one door is tried: which addresses show it, and what a good command through it is. */
export type Spec =
	/** Names in its address, with sensible values. */
	| { readonly kind: 'ask'; readonly query?: Readonly<Record<string, readonly string[]>> }
	/** A form is read from the page on which it stands, at one of these addresses behind its own. */
	| {
			readonly kind: 'form';
			readonly at?: readonly string[];
			readonly fields?: Readonly<Record<string, string>>;
	  }
	| { readonly kind: 'json'; readonly command: (chance: Chance, target: Target) => unknown }
	| { readonly kind: 'bytes' };

const ask = (query?: Readonly<Record<string, readonly string[]>>): Spec =>
	query ? { kind: 'ask', query } : { kind: 'ask' };
const form = (at?: readonly string[], fields?: Readonly<Record<string, string>>): Spec => ({
	kind: 'form',
	...(at ? { at } : {}),
	...(fields ? { fields } : {})
});
const numbers = ['5', '54', '400', '-3', '1e9'];
/** A water as its keeper tells of it. */
const WATER = {
	name: 'Kitchen reef',
	kind: 'tank',
	profile: 'mixed-reef',
	long: '120',
	deep: '50',
	filled: '48',
	rock: 'usual',
	sump: '20',
	runs: 'a-year',
	lightsOn: '10:00',
	lightsOff: '20:00'
};
/** What a log can be asked for. */
const LOG_SEARCH = {
	what: [...PARAMETER_IDS, ...EVENT_KINDS, 'events', 'readings', 'toString'],
	waters: ['all'],
	by: ['x', '01a2304c-9e18-709d-8d13-d98f8582c75c'],
	words: ['carbon', '8.1', '%', '_', '\\', "'"],
	from: ['2026-11-01', '1 Nov', 'x'],
	to: ['2026-11-23', '31.12.2026', '9999-99-99']
};
const dates = ['2026-11-23', '2026-11-01', '2027-01-01'];

function run(chance: Chance, { waterId, nowMs, newId }: Target) {
	const method = pick(chance, SHIPPED_METHODS);
	const [reading] = fc.sample(anyReading(method), { numRuns: 1, seed: Math.floor(chance() * 1e9) });
	const at = nowMs - Math.floor(chance() * 30 * 86_400_000);
	return {
		id: newId(),
		sampleId: newId(),
		readingId: newId(),
		waterId,
		methodCode: method.code,
		methodVersion: method.version,
		drawnAt: at,
		startedAt: at,
		finishedAt: at + 60_000,
		offsetMinutes: 0,
		reading,
		stepLog: stepsFor(method, 'full')
			.slice(0, 2)
			.map((_, i) => ({ at: at + i, kind: 'step-done' })),
		note: ''
	};
}

/** Every door of the application. One that is missing here fails the tests: a new one is tried from its first day. */
export const SPECS: Readonly<Record<string, Spec>> = {
	'GET /account': ask(),
	'GET /api/waters/[water]/bench': ask(),
	'GET /api/waters/[water]/trends': ask({ span: ['week', 'all'] }),
	'GET /begin': ask(),
	'GET /begin/[token]': ask(),
	'GET /begin/demo': ask(),
	'GET /begin/water': ask(),
	'GET /calendar/[token]': ask(),
	'GET /forgot': ask(),
	'GET /house': ask(),
	'GET /join/[token]': ask(),
	'GET /kit': ask(),
	'GET /offline': ask(),
	'GET /place': ask({ reader: ['x'], back: ['/', '//x'] }),
	'GET /place/[token]': ask(),
	'GET /reset/[token]': ask(),
	'GET /sheet/[token]': ask(),
	'GET /sign-in': ask({ back: ['/account', '//x'] }),
	'GET /sign-in/code': ask(),
	'GET /waters/[water]/adjust': ask(),
	'GET /waters/[water]/adjust/batches': ask({
		litres: numbers,
		'litres.unit': ['us-gallon'],
		salinity: ['35', '30']
	}),
	'GET /waters/[water]/adjust/blend': ask({
		tapKh: numbers,
		kh: numbers,
		gh: numbers,
		litres: numbers,
		nowKh: numbers,
		nowGh: numbers,
		tapGh: numbers
	}),
	'GET /waters/[water]/adjust/change': ask({
		litres: numbers,
		count: numbers,
		everyDays: ['1', '7'],
		batch: ['x'],
		target: PARAMETER_IDS,
		to: numbers
	}),
	'GET /waters/[water]/adjust/daily': ask({
		school: ['two-part', 'limewater', 'reactor', 'water-changes', 'salts'],
		evaporates: numbers,
		share: numbers,
		every: numbers,
		fresh: numbers
	}),
	'GET /waters/[water]/adjust/limits': ask(),
	'GET /waters/[water]/adjust/plan': ask({
		goals: ['alkalinity', 'alkalinity,calcium', 'ph'],
		'aim.alkalinity': numbers,
		'with.alkalinity': ['salt:NaHCO3', 'x'],
		kind: ['salinity', 'husbandry', 'doses'],
		aim: numbers,
		id: ['nitrate-high', 'x'],
		volume: ['known']
	}),
	'GET /waters/[water]/adjust/plans/[plan]': ask(),
	'GET /waters/[water]/adjust/supplements': ask({ kind: ['salt', 'product', 'table'] }),
	'GET /waters/[water]/bench': ask({ tests: ['alkalinity'], method: ['alk-syringe'] }),
	'GET /waters/[water]/bench/taken': ask(),
	'GET /waters/[water]/board': ask(),
	'GET /waters/[water]/calendar.ics': ask(),
	'GET /waters/[water]/compare': ask({
		by: ['kit', 'reader', 'water', 'lot'],
		parameter: PARAMETER_IDS,
		a: ['alk-syringe'],
		b: ['alk-drops']
	}),
	'GET /waters/[water]/findings': ask(),
	'GET /waters/[water]/habits': ask(),
	'GET /waters/[water]/help': ask({ q: ['alkalinity', 'a'] }),
	'GET /waters/[water]/kits': ask({ begin: [''] }),
	'GET /waters/[water]/laboratory': ask(),
	'GET /waters/[water]/log': ask({ ...LOG_SEARCH, before: numbers }),
	'GET /waters/[water]/log.csv': ask(LOG_SEARCH),
	'GET /waters/[water]/log/[reading]': ask(),
	'GET /waters/[water]/log/earlier': ask(),
	'GET /waters/[water]/log/new': ask({ kind: EVENT_KINDS }),
	'GET /waters/[water]/log/result': ask({ parameter: PARAMETER_IDS }),
	'GET /waters/[water]/methods': ask(),
	'GET /waters/[water]/methods/[code]': ask(),
	'GET /waters/[water]/methods/[code]/card': ask(),
	'GET /waters/[water]/methods/[code]/file': ask(),
	'GET /waters/[water]/methods/new': ask({
		from: ['alk-syringe'],
		revise: ['alk-syringe'],
		parameter: PARAMETER_IDS
	}),
	'GET /waters/[water]/around/[event]': ask(),
	'GET /waters/[water]/guests': ask(),
	'GET /waters/[water]/shelf/kinds': ask({ way: ['drops', 'x'] }),
	'GET /waters/[water]/sea': ask(),
	'GET /waters/[water]/sets': ask({ edit: ['x'] }),
	'GET /waters/[water]/practice': ask({
		weigh: ['end-point/alk-syringe/0', 'scale/syringe', 'steps/no3-card', 'steps', 'x/y/z'],
		decision: ['use', 'stop', 'x'],
		span: ['all', 'x']
	}),
	'GET /waters/[water]/practice/[exercise]': ask({
		kit: ['alk-syringe', 'no3-card', 'x'],
		which: ['1'],
		mode: ['slow', 'disturbed', 'x'],
		scale: ['float', 'x']
	}),
	'GET /waters/[water]/practice/dry': ask({ kit: ['alk-syringe', 'x'] }),
	'GET /waters/[water]/practice/known': ask({ kit: ['alk-syringe', 'x'] }),
	'GET /waters/[water]/practice/mentor': ask(),
	'GET /waters/[water]/purified': ask(),
	'GET /waters/[water]/panel/[happening]': ask({ event: ['x'] }),
	'GET /waters/[water]/people': ask(),
	'GET /waters/[water]/photographs/[photograph]': ask(),
	'GET /waters/[water]/profiles': ask({ edit: ['x'] }),
	'GET /waters/[water]/round': ask({ tank: ['x'] }),
	'GET /waters/[water]/sheet': ask(),
	'GET /waters/[water]/shelf': ask(),
	'GET /waters/[water]/shelf/[item]': ask(),
	'GET /waters/[water]/shelf/compare': ask({ parameter: PARAMETER_IDS }),
	'GET /waters/[water]/shelf/labels': ask(),
	'GET /waters/[water]/shelf/new': ask({ kind: SHELF_KINDS, method: ['alk-syringe', 'ca-mg-pair'] }),
	'GET /waters/[water]/shelf/shopping': ask(),
	'GET /waters/[water]/shelf/standard': ask(),
	'GET /waters/[water]/targets': ask({ profile: ['mixed-reef', 'x'] }),
	'GET /waters/[water]/testing': ask(),
	'GET /waters/[water]/today': ask(),
	'GET /waters/[water]/trends': ask({
		span: ['week', 'month', 'all'],
		from: ['2026-09-01T00:00', 'x'],
		to: ['2026-11-01T00:00', '0001-01-01T00:00'],
		rows: ['alkalinity.calcium', '..'],
		over: ['alkalinity.calcium', 'x'],
		at: ['2026-10-01T00:00', 'x'],
		beside: ['x'],
		corrected: ['yes']
	}),
	'GET /waters/[water]/waters': ask({ edit: ['x'] }),
	'POST /account/passkeys': { kind: 'json', command: () => ({ password: 'four odd green pumps' }) },
	'POST /account?/begin': form(undefined, { password: 'four odd green pumps' }),
	'POST /account?/confirm': form(undefined, { code: '123456' }),
	'POST /account?/end': form(undefined, { session: 'x' }),
	'POST /account?/passkey': form(undefined, { passkey: 'x' }),
	'POST /account?/password': form(undefined, {
		password: 'four odd green pumps',
		newPassword: 'five odd green pumps'
	}),
	'POST /account?/remove': form(undefined, { password: 'four odd green pumps', certain: 'yes' }),
	'POST /account?/without': form(undefined, { password: 'four odd green pumps' }),
	'POST /api/waters/[water]/derivations': {
		kind: 'json',
		command: (chance, { waterId, newId }) => ({
			id: newId(),
			waterId,
			code: pick(chance, SHIPPED_METHODS).code
		})
	},
	'POST /api/waters/[water]/methods': {
		kind: 'json',
		command: (chance, { waterId, newId }) => ({
			id: newId(),
			waterId,
			method: { ...pick(chance, SHIPPED_METHODS), code: `own-${Math.floor(chance() * 1e6)}`, version: 1 },
			revises: null
		})
	},
	'POST /api/waters/[water]/photographs': { kind: 'bytes' },
	'POST /api/waters/[water]/photographs/withdrawals': {
		kind: 'json',
		command: (_chance, { waterId, newId }) => ({ id: newId(), waterId, photographId: newId() })
	},
	'POST /api/waters/[water]/reports': {
		kind: 'json',
		command: (chance, { waterId, newId, nowMs }) => {
			const parameter = pick(chance, PARAMETER_IDS);
			const rows = [0, 1].map(() => ({
				parameter,
				unit: pick(chance, PARAMETERS[parameter].units),
				kind: pick(chance, ['value', '<', '>']),
				value: chance() * 400,
				expandedU: chance() < 0.5 ? null : chance() * 10,
				drawnAt: nowMs - 86_400_000,
				offsetMinutes: 0
			}));
			return { id: newId(), waterId, source: 'A laboratory', rows };
		}
	},
	'POST /api/waters/[water]/bottles': {
		kind: 'json',
		command: (_, { waterId, newId, nowMs }) => ({
			id: newId(),
			waterId,
			happenedAt: nowMs,
			offsetMinutes: 0,
			note: ''
		})
	},
	'POST /api/waters/[water]/boxes': {
		kind: 'json',
		command: (chance, { waterId, newId, known }) => ({
			id: newId(),
			waterId,
			itemId: pick(chance, known.item),
			complete: chance() < 0.5,
			note: 'the leaflet'
		})
	},
	'POST /api/waters/[water]/sessions': {
		kind: 'json',
		command: (chance, { waterId, newId, nowMs }) => {
			const {
				id: _,
				readingId,
				sampleId,
				methodCode,
				methodVersion,
				drawnAt,
				startedAt,
				stepLog
			} = run(chance, {
				waterId,
				newId,
				nowMs,
				known: { reading: [], item: [], plan: [] }
			});
			const test = {
				runId: newId(),
				sampleId,
				readingId,
				waterId,
				methodCode,
				methodVersion,
				portion: 'full',
				dilutionParts: null,
				kitId: null,
				standardId: null,
				drawnAt,
				startedAt,
				log: stepLog,
				over: false
			};
			return {
				id: newId(),
				waterId,
				sessionId: newId(),
				revision: 1,
				state: pick(chance, ['planned', 'under-way', 'dropped', 'finished']),
				dueAt: null,
				startedAt,
				tests: [test]
			};
		}
	},
	'POST /api/waters/[water]/practice': {
		kind: 'json',
		command: (_, { waterId, nowMs, newId }) => ({
			id: newId(),
			waterId,
			trials: [
				{
					answeredAt: nowMs - 1000,
					trial: { kind: 'count', disturbed: true, drops: 17, answer: 16 }
				}
			]
		})
	},
	'POST /api/waters/[water]/test-runs': { kind: 'json', command: run },
	'POST /begin/[token]': form(undefined, {
		displayName: 'Rowan',
		password: 'four odd green pumps',
		email: ''
	}),
	'POST /begin/demo?/leave': form(),
	'POST /begin/demo?/look': form(),
	'POST /begin/water': form(undefined, WATER),
	'POST /forgot': form(undefined, { displayName: 'Rowan' }),
	'POST /join/[token]?/accept': form(undefined, { code: '123456' }),
	'POST /join/[token]?/begin': form(undefined, {
		displayName: 'Rowan',
		password: 'four odd green pumps',
		email: '',
		code: '123456'
	}),
	'POST /place': form(undefined, { memberId: 'x', pin: '1234', back: '/' }),
	'POST /place/[token]': form(),
	'POST /preferences': form(undefined, {
		back: '/help',
		alkalinity: 'meq-per-l',
		theme: 'dark',
		dates: 'month',
		clock: '12',
		decimals: 'comma',
		volumes: 'us-gallons',
		temperature: 'fahrenheit'
	}),
	'POST /reset/[token]': form(undefined, { password: 'four odd green pumps' }),
	'POST /sign-in': form(undefined, { displayName: 'Rowan', password: 'four odd green pumps' }),
	'POST /sign-in/code': form(undefined, { code: '123456' }),
	'POST /sign-in/passkey': { kind: 'json', command: () => ({ response: { id: 'x' } }) },
	'POST /sign-out': form(),
	'POST /waters/[water]/adjust/change?/start': form(['?litres=54&count=2&everyDays=7', '?litres=20']),
	'POST /waters/[water]/adjust/limits': form(),
	'POST /waters/[water]/adjust/plan?/start': form([
		'?goals=alkalinity',
		'?goals=alkalinity,calcium',
		'?kind=salinity&aim=35.5'
	]),
	'POST /waters/[water]/adjust/plans/[plan]?/change': form(undefined, { what: 'plan-rest', note: '' }),
	'POST /waters/[water]/adjust/plans/[plan]?/step': form(undefined, {
		stepId: '0-dose-alkalinity',
		outcome: 'done'
	}),
	'POST /waters/[water]/adjust/supplements?/retire': form(),
	'POST /waters/[water]/adjust/supplements?/save': form(
		['', '?kind=salt', '?kind=solution', '?kind=product', '?kind=table'],
		{ kind: 'product', name: 'Made up', 'strength.alkalinity': '0.3' }
	),
	'POST /waters/[water]/findings': form(),
	'POST /waters/[water]/kits': form(undefined, { codes: 'alk-syringe', then: 'methods' }),
	'POST /waters/[water]/laboratory': form(),
	'POST /waters/[water]/log/[reading]?/correct': form(),
	'POST /waters/[water]/log/[reading]?/keep': form(undefined, { slip: '' }),
	'POST /waters/[water]/log/new': form(EVENT_KINDS.map((kind) => `?kind=${kind}`)),
	'POST /waters/[water]/log/result': form(PARAMETER_IDS.map((p) => `?parameter=${p}`)),
	'POST /waters/[water]/methods': form(),
	'POST /waters/[water]/people?/change': form(undefined, { memberId: 'x', role: 'helper', memberUntil: '' }),
	'POST /waters/[water]/people?/end': form(undefined, { memberId: 'x' }),
	'POST /waters/[water]/people?/invite': form(undefined, { role: 'helper', linkDays: '7', memberUntil: '' }),
	'POST /waters/[water]/people?/pin': form(undefined, { pin: '2468' }),
	'POST /waters/[water]/people?/place': form(undefined, { name: 'Tablet' }),
	'POST /waters/[water]/people?/revoke': form(undefined, { invitationId: 'x' }),
	'POST /waters/[water]/people?/revokePlace': form(undefined, { placeId: 'x' }),
	'POST /waters/[water]/guests?/add': form(undefined, { name: 'Ines', profile: 'mixed-reef' }),
	'POST /waters/[water]/guests?/keep': form(undefined, { guestId: 'x' }),
	'POST /waters/[water]/practice?/decide': form(undefined, {
		subject: 'end-point/alk-syringe/0',
		decision: 'use',
		span: 'from-now'
	}),
	'POST /waters/[water]/practice?/share': form(undefined, { shown: 'yes' }),
	'POST /waters/[water]/practice/mentor?/lesson': form(undefined, {
		forMember: 'x',
		subject: 'scale/syringe',
		vials: '8'
	}),
	'POST /waters/[water]/practice/mentor?/note': form(undefined, { methodCode: 'alk-syringe', stepId: 'x' }),
	'POST /waters/[water]/purified': form(undefined, { 'after-resin': '3', unit: 'ppm' }),
	'POST /waters/[water]/sets': form(undefined, { name: 'Saturday', methodCode: 'alk-syringe', times: '1' }),
	'POST /waters/[water]/profiles?/save': form(undefined, {
		name: 'Made up',
		source: 'Nobody',
		'calcium.low': '400'
	}),
	'POST /waters/[water]/profiles?/take': form(undefined, { profile: 'x' }),
	'POST /waters/[water]/sheet?/give': form(undefined, { forWhom: 'Ines', note: 'Half', days: '30' }),
	'POST /waters/[water]/sheet?/revoke': form(undefined, { sheetId: 'x' }),
	'POST /waters/[water]/shelf/[item]?/check': form(undefined, { parameter: 'alkalinity' }),
	'POST /waters/[water]/shelf/[item]?/decide': form(undefined, {
		checkId: 'x',
		decision: 'accept',
		span: 'all'
	}),
	'POST /waters/[water]/shelf/[item]?/derive': form(),
	'POST /waters/[water]/shelf/[item]?/note': form(undefined, { kind: 'counted', reagent: 'A', amount: '5' }),
	'POST /waters/[water]/shelf/new': form(
		[...SHELF_KINDS.map((kind) => `?kind=${kind}`), '?kind=kit&method=ca-mg-pair'],
		{ name: 'Made up', 'content.ph': '7' }
	),
	'POST /waters/[water]/shelf/standard': form(undefined, { massG: '10', volumeMl: '1000' }),
	'POST /waters/[water]/targets': form(['', '?profile=mixed-reef']),
	'POST /waters/[water]/testing?/feed': form(undefined, { feedId: '' }),
	'POST /waters/[water]/testing?/settings': form(undefined, {
		habit: '7',
		chance: '0.2',
		clearDays: '5',
		school: 'both'
	}),
	'POST /waters/[water]/testing?/stage': form(undefined, { profile: 'mixed-reef' }),
	'POST /waters/[water]/waters?/add': form(undefined, WATER),
	'POST /waters/[water]/waters?/change': form(undefined, { change: 'volume', litres: '200', how: 'guessed' }),
	'POST /waters/[water]/waters?/kind': form(undefined, { profile: 'mixed-reef', back: '/' }),
	'POST /waters/[water]/waters?/order': form(undefined, { waterIds: 'x' }),
	'POST /waters/[water]/waters?/zone': form(undefined, { timeZone: 'Europe/Lisbon' })
};

export const PLACES = { dates, happenings: ['death', 'algae', 'x'] } as const;
