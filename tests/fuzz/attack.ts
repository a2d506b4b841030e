import { request } from 'node:http';
import { seededRandom } from '../../src/lib/core/numeric/index.ts';
import { formsIn, type FoundForm } from './forms.ts';
import { pick, spoilt, TEXTS, type Chance } from './nonsense.ts';
import type { Door } from './routes.ts';
import { PLACES, SPECS, type Spec, type Target } from './specs.ts';

export interface Attacked {
	readonly origin: string;
	readonly cookie: string;
	readonly target: Target;
	/** Water, reading, thing and plan of another site, or of none. */
	readonly foreignIds: readonly string[];
}

/** What an attack found wrong, with what was sent, so that it can be sent again. */
export interface Finding {
	readonly what: 'failed' | 'nameless';
	readonly door: string;
	readonly sent: string;
	readonly answer: string;
}

interface Answer {
	readonly status: number;
	readonly text: string;
	readonly type: string;
}

function send(
	attacked: Attacked,
	path: string,
	options: { method: string; headers?: Record<string, string>; body?: Uint8Array | string }
): Promise<Answer> {
	const { hostname, port } = new URL(attacked.origin);
	return new Promise((done, failed) => {
		const asked = request(
			{
				hostname,
				port,
				path,
				method: options.method,
				headers: {
					cookie: attacked.cookie,
					origin: attacked.origin,
					host: `${hostname}:${port}`,
					...options.headers,
					...(options.body === undefined ? {} : { 'content-length': String(Buffer.byteLength(options.body)) })
				}
			},
			(response) => {
				let text = '';
				response.setEncoding('utf8');
				response.on('data', (chunk: string) => {
					if (text.length < 400_000) text += chunk;
				});
				response.on('end', () =>
					done({ status: response.statusCode ?? 0, text, type: response.headers['content-type'] ?? '' })
				);
				response.on('error', failed);
			}
		);
		asked.on('error', (error: { code?: string; message: string }) =>
			// A body that is too large is answered while it is still being sent.
			done({
				status: error.code === 'EPIPE' || error.code === 'ECONNRESET' ? 413 : 599,
				text: error.message,
				type: ''
			})
		);
		asked.end(options.body);
	});
}

/** Printable ASCII without what ends an address: the rest as a browser would write it. */
const inAddress = (text: string) => encodeURIComponent(text.toWellFormed()).slice(0, 4000);

function placed(chance: Chance, { path }: Door, attacked: Attacked): string {
	const { target, foreignIds } = attacked;
	const stray = () => pick(chance, [...foreignIds, 'x', '%00', '..%2f', '__proto__']);
	const mostly = (own: string | undefined) => (own !== undefined && chance() < 0.92 ? own : stray());
	return path
		.replace('[water]', mostly(target.waterId))
		.replace('[reading]', mostly(pick(chance, target.known.reading)))
		.replace('[item]', mostly(pick(chance, target.known.item)))
		.replace('[plan]', mostly(pick(chance, target.known.plan)))
		.replace('[photograph]', stray())
		.replace('[token]', stray())
		.replace('[code]', mostly('alk-syringe'))
		.replace('[happening]', mostly(pick(chance, PLACES.happenings)))
		.replace('[event]', stray());
}

/** An answer to nonsense says what is wrong in words, never with the inner path of a field or a library's English. */
const RAW =
	/must NOT|must be (equal|object|array)|instancePath|undefined|\[object |“[a-z]+\w*\.(\d|[a-z])|A field of this form/;

/** What is wrong with an answer to nonsense; null where it says in words what is wrong with what was sent. */
function nameless(door: Door, { status, text, type }: Answer): string | null {
	// To a script a form answers with 200 that it was refused.
	const refused =
		status >= 400 || (door.kind === 'form' && type.includes('json') && text.includes('"type":"failure"'));
	if (!refused || status >= 500 || status === 404 || status === 405 || status === 401) return null;
	if (door.kind === 'json' || door.kind === 'bytes') {
		let body: { fault?: { code?: string; field?: string }; message?: string } = {};
		try {
			body = JSON.parse(text) as typeof body;
		} catch {
			return text.trim() ? null : 'nothing';
		}
		const named =
			body.message || (body.fault?.code && (body.fault.field || body.fault.code !== 'invalid-field'));
		return named ? null : text;
	}
	const words = type.includes('json')
		? wordsOfAction(text)
		: type.includes('html')
			? wordsOfPage(text, status)
			: text;
	return words.trim().length < 8 || RAW.test(words) ? `“${words.trim()}”` : null;
}

/** What a page says of a form that was refused, where it stands; of an error page its heading. */
function wordsOfPage(html: string, status: number): string {
	const plain = (markup: string) => markup.replace(/<[^>]*>/g, ' ').replace('Not yet.', '');
	const said = [...html.matchAll(/role="alert"[^>]*>([\s\S]*?)<\/(?:p|div|span|strong)>(?:[^<]*)/g)].map(
		(m) => plain(m[0])
	);
	const beside = [...html.matchAll(/<p id="[^"]*-fault"[^>]*>([\s\S]*?)<\/p>/g)].map((m) => plain(m[1]!));
	const heading = /<h1[^>]*>([\s\S]*?)<\/h1>/.exec(html)?.[1] ?? '';
	const words = [...said, ...beside].join(' ').replace(/^[^>]*>/, '');
	return words.trim() || (status === 400 && !heading.includes('form that can be read') ? '' : heading);
}

/** The sentence in the answer to a form that a script sent. */
function wordsOfAction(text: string): string {
	const body = JSON.parse(text) as {
		type?: string;
		data?: string;
		error?: { message?: string };
		message?: string;
	};
	if (body.type !== 'failure') return body.error?.message ?? body.message ?? 'not refused';
	const flat = JSON.parse(body.data ?? '[]') as unknown[];
	const at = (flat[0] as { text?: number } | undefined)?.text;
	return at === undefined ? '' : String(flat[at]);
}

const formCache = new Map<string, FoundForm[]>();

async function formFor(
	chance: Chance,
	door: Door,
	spec: Extract<Spec, { kind: 'form' }>,
	path: string,
	attacked: Attacked
): Promise<[string, string][]> {
	const query = pick(chance, spec.at ?? ['']);
	const key = path + query;
	let forms = formCache.get(key);
	if (!forms) {
		const { text, status } = await send(attacked, key, { method: 'GET', headers: { accept: 'text/html' } });
		forms = status === 200 ? formsIn(text) : [];
		formCache.set(key, forms);
		if (formCache.size > 4000) formCache.delete([...formCache.keys()][0]!);
	}
	const own = forms.filter((f) =>
		door.action === '' ? f.action === '' || !f.action.includes('?/') : f.action.endsWith(door.action)
	);
	const found = own.length > 0 ? pick(chance, own).fields : [];
	const fields = new Map<string, string>();
	for (const [name, value, choices] of found) {
		fields.set(name, choices.length > 0 && chance() < 0.3 ? pick(chance, choices) : value);
	}
	for (const [name, value] of Object.entries(spec.fields ?? {}))
		if (!fields.has(name) || chance() < 0.5) fields.set(name, value);
	if (fields.has('id') || chance() < 0.5) fields.set('id', attacked.target.newId());
	const names = [...fields.keys()];
	for (let n = Math.floor(chance() * 3); n > 0 && names.length > 0; n--)
		fields.set(pick(chance, names), pick(chance, TEXTS));
	if (chance() < 0.05) fields.delete(pick(chance, names));
	const list: [string, string][] = [...fields];
	if (chance() < 0.06)
		list.push([pick(chance, ['__proto__', 'constructor', 'hasOwnProperty', 'x', '']), pick(chance, TEXTS)]);
	if (chance() < 0.04 && list.length > 0) list.push(pick(chance, list));
	return list;
}

const MULTIPART = 'multipart/form-data; boundary=xxBOUNDARYxx';
function multipart(chance: Chance, fields: readonly [string, string][]): string {
	const whole = `${fields
		.map(
			([name, value]) =>
				`--xxBOUNDARYxx\r\ncontent-disposition: form-data; name="${name}"\r\n\r\n${value}\r\n`
		)
		.join('')}--xxBOUNDARYxx--\r\n`;
	return chance() < 0.5
		? whole.slice(0, Math.floor(chance() * whole.length))
		: whole.replaceAll('xxBOUNDARYxx', 'other');
}

/** Sends one thing to one door; null where nothing was wrong with the answer. */
async function tryDoor(chance: Chance, door: Door, attacked: Attacked): Promise<Finding | null> {
	const spec = SPECS[door.name];
	if (!spec) throw new Error(`nothing is known of ${door.name}`);
	const path = placed(chance, door, attacked);
	let address = path + door.action;
	const headers: Record<string, string> = { accept: 'text/html' };
	let body: string | Uint8Array | undefined;
	if (chance() < 0.01) headers.host = pick(chance, ['[', 'a b', '', 'elsewhere.example', 'x'.repeat(3000)]);
	if (spec.kind === 'ask') {
		const names = Object.keys(spec.query ?? {});
		const asked = names
			.filter(() => chance() < 0.5)
			.map((name) => {
				const value = chance() < 0.4 ? pick(chance, TEXTS) : pick(chance, spec.query![name]!);
				return `${inAddress(name)}=${inAddress(value)}`;
			});
		if (chance() < 0.1)
			asked.push(`${pick(chance, ['__proto__', 'x', 'constructor'])}=${inAddress(pick(chance, TEXTS))}`);
		if (asked.length > 0) address += `?${asked.join('&')}`;
	} else if (spec.kind === 'json') {
		const command = spec.command(chance, attacked.target);
		const sent = JSON.stringify(chance() < 0.2 ? command : spoilt(chance, command));
		body = chance() < 0.03 ? sent.slice(0, Math.floor(chance() * sent.length)) : sent;
		headers['content-type'] = chance() < 0.02 ? 'text/plain' : 'application/json';
	} else if (spec.kind === 'bytes') {
		const { newId } = attacked.target;
		address += `?id=${newId()}&${pick(chance, ['run', 'item', 'x'])}=${pick(chance, [newId(), 'x', ''])}`;
		body = Buffer.from(Array.from({ length: 200 }, () => Math.floor(chance() * 256)));
		headers['content-type'] = 'image/png';
	} else {
		const fields = await formFor(chance, door, spec, path, attacked);
		// As a script sends it, mostly: then the page behind it is not judged anew for every answer.
		if (chance() < 0.85) {
			headers.accept = 'application/json';
			headers['x-sveltekit-action'] = 'true';
		}
		if (chance() < 0.04) {
			headers['content-type'] = MULTIPART;
			body = multipart(chance, fields);
		} else {
			headers['content-type'] = 'application/x-www-form-urlencoded';
			body = new URLSearchParams(fields).toString();
		}
		if (chance() < 0.003) body = `note=${'x'.repeat(4_000_000)}`;
	}
	const answer = await send(attacked, address, {
		method: door.method,
		headers,
		...(body === undefined ? {} : { body })
	});
	const told = (what: Finding['what'], said = answer.text): Finding => ({
		what,
		door: door.name,
		sent: `${door.method} ${address} ${String(body ?? '').slice(0, 1500)}`,
		answer: `${answer.status} ${said.slice(0, 300)}`
	});
	const inside = door.kind === 'form' && /^\{"type":"error","status":5/.test(answer.text);
	if (answer.status >= 500 || inside) return told('failed');
	const said = nameless(door, answer);
	return said === null ? null : told('nameless', said);
}

export interface AttackResult {
	readonly requests: number;
	readonly findings: readonly Finding[];
}

/**
 * Attacks every door in turn until `enough` says so.
 *
 * @param share of pages that are only looked at: each costs a whole judgement
 */
export async function attack(
	doors: readonly Door[],
	attacked: Attacked,
	seed: number,
	enough: (requests: number) => boolean,
	share = 0.2
): Promise<AttackResult> {
	const chance = seededRandom(seed);
	const looks = doors.filter((d) => d.method === 'GET');
	const changes = doors.filter((d) => d.method === 'POST');
	const findings: Finding[] = [];
	let requests = 0;
	while (!enough(requests)) {
		// Each at least once, then by chance.
		const door =
			requests < doors.length ? doors[requests]! : pick(chance, chance() < share ? looks : changes);
		const found = await tryDoor(chance, door, attacked);
		requests++;
		if (found) findings.push(found);
	}
	return { requests, findings };
}

/** Ids that pages link to, and the session, as a browser would find them. */
export async function scout(
	origin: string,
	nowMs: number,
	newId: () => string,
	foreignIds: readonly string[]
): Promise<Attacked> {
	const first = await fetch(`${origin}/`, { headers: { accept: 'text/html' }, redirect: 'manual' });
	const cookie = first.headers.get('set-cookie')!.split(';')[0]!;
	const waterId = first.headers.get('location')!.split('/')[2]!;
	const linked = async (page: string, kind: RegExp) => {
		const html = await (
			await fetch(`${origin}/waters/${waterId}${page}`, { headers: { cookie, accept: 'text/html' } })
		).text();
		return [...new Set([...html.matchAll(kind)].map((m) => m[1]!))];
	};
	const [reading, item, plan] = await Promise.all([
		linked('/log', /\/log\/([0-9a-f-]{36})/g),
		linked('/shelf', /\/shelf\/([0-9a-f-]{36})/g),
		linked('/adjust', /\/adjust\/plans\/([0-9a-f-]{36})/g)
	]);
	return { origin, cookie, foreignIds, target: { waterId, nowMs, newId, known: { reading, item, plan } } };
}
