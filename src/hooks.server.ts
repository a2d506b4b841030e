import { AsyncLocalStorage } from 'node:async_hooks';
import { createHash, randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import {
	error,
	type Handle,
	type HandleServerError,
	type RequestEvent,
	type ServerInit
} from '@sveltejs/kit';
import pino from 'pino';
import { building } from '$app/environment';
import { PREFERENCES_COOKIE, readPreferences } from '$lib/contract/preferences';
import { BRITISH, type Reader } from '$lib/contract/reader';
import { readBy } from '$lib/format/reader';
import type { SetCookie } from '$lib/server/account/cookies';
import { openAccountDoor } from '$lib/server/account/door';
import { SESSION_COOKIE as ACCOUNT_COOKIE } from '$lib/server/account/library';
import { openMail } from '$lib/server/account/mail';
import { clockSetting, idMaker, serverClock } from '$lib/server/clock';
import { daily } from '$lib/server/daily';
import { connect } from '$lib/server/db/connect';
import { once } from '$lib/server/lazy';
import { createLimiter } from '$lib/server/limiter';
import { clientAddress, trustedProxies } from '$lib/server/proxies';
import { paintFirst } from '$lib/server/paint-first';
import { openPool, workerFile } from '$lib/server/reckon/pool';
import { SESSION_DAYS } from '$lib/server/service/account/sign-in';
import type { PooledDeps } from '$lib/server/service/deps';
import { forgetGuests } from '$lib/server/service/visitor/guests';
import { createServices } from '$lib/server/services';
import { intoLitres } from '$lib/contract/in-litres';

const log = pino({ name: 'tevrik', level: process.env.TEVRIK_LOG_LEVEL ?? 'warn' });

const SESSION_COOKIE = 'tevrik_session';
/** Of the device of a place. */
const PLACE_COOKIE = 'tevrik_place';
/** Generous for a person, tight for a script gone wild. */
const REQUESTS_PER_MINUTE = Number(process.env.TEVRIK_REQUESTS_PER_MINUTE ?? 600);

/** Where mail goes out, and as whose. */
const mailSetting = () => ({
	smtp: process.env.TEVRIK_SMTP ?? null,
	from: process.env.TEVRIK_MAIL_FROM ?? 'Tevrik <tevrik@localhost>',
	folder: process.env.TEVRIK_MAILS ?? null
});

function wire() {
	const url = process.env.DATABASE_URL;
	if (!url) throw new Error('DATABASE_URL is not set; start Tevrik with "npm start" or "npm run demo"');
	const setting = clockSetting(process.env.TEVRIK_CLOCK, performance.timeOrigin + performance.now());
	const clock = serverClock(setting);
	if (setting) {
		process.on('message', (said: { moveClockMs?: unknown }) => {
			if (typeof said.moveClockMs === 'number') clock.move(said.moveClockMs);
		});
		// Whoever listens must still be able to end.
		process.channel?.unref();
	}
	const connection = connect(url);
	const threads = workerFile(process.argv[1]);
	const pool = threads ? openPool(threads, url) : null;
	const deps: PooledDeps = {
		db: connection.db,
		clock,
		newId: idMaker(clock),
		report: (fault, about) => log.error({ about, message: fault.message, stack: fault.stack })
	};
	const endForgetting = daily(
		() => forgetGuests(deps),
		(fault) => deps.report?.(fault, 'names of strangers’ bottles')
	);
	const secret = process.env.TEVRIK_SECRET;
	return {
		setting,
		pool,
		services: createServices(deps, pool ? (task) => pool.run(task) : undefined),
		accounts: secret ? openAccountDoor(deps, secret, openMail(mailSetting())) : null,
		limiter: createLimiter(clock, REQUESTS_PER_MINUTE),
		hosts: new Set(
			[
				...(process.env.TEVRIK_HOSTS ?? '').split(','),
				process.env.ORIGIN ? new URL(process.env.ORIGIN).host : ''
			]
				.map((h) => h.trim())
				.filter(Boolean)
		),
		signInAs: process.env.TEVRIK_SIGN_IN_AS ?? null,
		proxies: trustedProxies(process.env.TEVRIK_PROXIES),
		close: async () => {
			endForgetting();
			await pool?.close();
			await connection.close();
		}
	};
}

/** Somewhat above what a photograph may weigh; checked in the browser first. */
const MOST_BODY_BYTES = 3_000_000;
const TOO_LARGE = 'That is more than can be taken at once: at most 3 MB. Choose a smaller file.';

/** The file that a restore leaves while it runs; a restore that was killed closes nothing. */
const RESTORING = process.env.TEVRIK_RESTORING;
function isRestoring(): boolean {
	if (!RESTORING || !existsSync(RESTORING)) return false;
	try {
		process.kill(Number(readFileSync(RESTORING, 'utf8')), 0);
		return true;
	} catch (fault) {
		return (fault as { code?: string }).code === 'EPERM';
	}
}

/** Whoever is being answered: all words are written as they have them. */
const readers = new AsyncLocalStorage<Reader>();
readBy(() => readers.getStore() ?? BRITISH);

let wired: ReturnType<typeof wire> | null = null;

export const init: ServerInit = () => {
	if (building) return;
	const own = wire();
	wired = own;
	process.once('sveltekit:shutdown', () => void own.close());
};

/**
 * `localhost` and the loopback address are one place; cookies and Origin checks need it under one name. It is the name
 * and not the number, since a passkey can be bound to no number.
 */
function canonicalAddress(url: URL, hosts: ReadonlySet<string>): string | null {
	if (url.hostname !== '127.0.0.1' && url.hostname !== '[::1]') return null;
	const host = url.host.replace(url.hostname, 'localhost');
	return hosts.has(host) ? `${url.protocol}//${host}${url.pathname}${url.search}` : null;
}

/** Cookies of an account, each as safe as the way it came. */
function setCookies({ cookies, url }: RequestEvent, given: readonly SetCookie[]): void {
	for (const { name, value, maxAge } of given) {
		cookies.set(name, value, {
			path: '/',
			httpOnly: true,
			sameSite: 'lax',
			secure: url.protocol === 'https:',
			...(maxAge === null ? {} : { maxAge })
		});
	}
}

function tooOften(): Response {
	return new Response('Too many requests in one minute. Wait a minute and go on; nothing was lost.\n', {
		status: 429,
		headers: { 'retry-after': '60' }
	});
}

const RETRY_SECONDS = 5;

function later(words: string): Response {
	return new Response(`${words}\n`, { status: 503, headers: { 'retry-after': String(RETRY_SECONDS) } });
}

/** What was asked for, by the name that the browser knows; null where the Host header is none. */
function addressAsked({ request, url }: RequestEvent): URL | null {
	try {
		const host = request.headers.get('host');
		return host ? new URL(`http://${host}${url.pathname}${url.search}`) : null;
	} catch {
		return null;
	}
}

/** A form that cannot be read is the sender's fault, and is told as such. */
function readInWords(request: Request): void {
	const read = request.formData.bind(request);
	request.formData = () =>
		read()
			.then((form) => {
				intoLitres(form);
				return form;
			})
			.catch((fault: unknown) => {
				const large = (fault as { status?: number } | null)?.status === 413;
				if (large) error(413, { message: TOO_LARGE, code: 'body-too-large' });
				error(400, {
					message: 'What was sent is no form that can be read. Go back, reload the page and send it again.',
					code: 'form-unreadable'
				});
			});
}

/** What a page is known by again belongs to one session: another one's copy is never taken for its own. */
function ofSession(request: Request, response: Response, token: string): Response {
	const etag = response.headers.get('etag');
	if (response.status !== 200 || !etag) return response;
	const own = `W/"${createHash('sha256').update(`${etag} ${token}`).digest('hex').slice(0, 32)}"`;
	response.headers.set('etag', own);
	const known = request.headers.get('if-none-match')?.split(/,\s*/) ?? [];
	// A page's scripts are let in by a number that is new each time: a copy with an old one would stand still.
	const isPage = response.headers.get('content-type')?.includes('html') ?? false;
	if (isPage || !known.includes(own)) return response;
	const headers = new Headers(response.headers);
	headers.delete('content-length');
	return new Response(null, { status: 304, headers });
}

const COMPRESSED = /^(text\/|application\/(json|javascript)|image\/svg)/;

/** Pages, files and data as text go out compressed, piece by piece; the platform does it beside this thread. */
function compressed(request: Request, response: Response): Response {
	const type = response.headers.get('content-type') ?? '';
	const takes = /\bgzip\b(?!\s*;\s*q=0(\.0*)?\s*(,|$))/.test(request.headers.get('accept-encoding') ?? '');
	const isPlain = response.body && COMPRESSED.test(type) && !response.headers.has('content-encoding');
	if (!isPlain || !takes || request.method === 'HEAD') return response;
	const headers = new Headers(response.headers);
	headers.set('content-encoding', 'gzip');
	headers.append('vary', 'accept-encoding');
	headers.delete('content-length');
	return new Response(response.body.pipeThrough(new CompressionStream('gzip')), {
		status: response.status,
		statusText: response.statusText,
		headers
	});
}

/** Pages that are somebody's; whoever is nobody is led to where one signs in, and from there back. */
const NEEDS_PERSON = /^\/(waters|account)\b/;
/** Where somebody comes in from outside, and is not taken for the demo's keeper. */
const FROM_OUTSIDE = /^\/(sign-in|join|reset|forgot|sheet|place|calendar)\b/;

/** Takes whoever asks for the demo's keeper. */
async function startDemo(event: RequestEvent): Promise<void> {
	const started = wired?.signInAs ? await wired.services.account.startSession(wired.signInAs) : null;
	if (!started) return;
	event.locals.person = started.person;
	event.locals.signedInBy = 'demo';
	event.cookies.set(SESSION_COOKIE, started.token, {
		path: '/',
		httpOnly: true,
		sameSite: 'lax',
		secure: event.url.protocol === 'https:',
		maxAge: SESSION_DAYS * 86_400
	});
}

/** Finds who asks: by an account, from the device of a place, or in the demo. */
async function findPerson(event: RequestEvent, opensPage: boolean): Promise<void> {
	const { locals, cookies, route } = event;
	const { services, accounts } = locals;
	locals.person = null;
	locals.signedInBy = null;
	if (accounts) {
		const { person, cookies: given } = await accounts.whoAsks(opensPage);
		setCookies(event, given);
		if (person) [locals.person, locals.signedInBy] = [person, 'account'];
	}
	const place = cookies.get(PLACE_COOKIE);
	if (!locals.person && place) {
		locals.person = await services.people.personAtPlace(place);
		if (locals.person) locals.signedInBy = 'place';
	}
	const token = cookies.get(SESSION_COOKIE);
	if (!locals.person && token) {
		locals.person = await services.account.personOfToken(token);
		if (locals.person) locals.signedInBy = 'demo';
	}
	// An address that leads nowhere leaves nothing behind.
	const opens = opensPage && route.id !== null && !FROM_OUTSIDE.test(route.id);
	if (!locals.person && locals.isDemo && opens) await startDemo(event);
}

export const handle: Handle = ({ event, resolve }) => {
	event.locals.accounts = null;
	event.locals.preferences = readPreferences(
		event.cookies.get(PREFERENCES_COOKIE),
		event.request.headers.get('accept-language')
	);
	return readers.run(event.locals.preferences.reader, () => answer({ event, resolve }));
};

const answer: Handle = async ({ event, resolve }) => {
	if (!wired) return resolve(event);
	const { services, hosts, limiter } = wired;
	const asked = addressAsked(event);
	const canonical = asked && canonicalAddress(asked, hosts);
	if (canonical) return new Response(null, { status: 307, headers: { location: canonical } });
	if (!asked || (hosts.size > 0 && !hosts.has(asked.host))) {
		return new Response('This address is not one that Tevrik answers to.\n', { status: 421 });
	}
	const address = clientAddress(event.getClientAddress(), event.request.headers, wired.proxies);
	if (!limiter.admits(address)) return tooOften();
	if (isRestoring()) return later('The records are being restored. Try again in a minute; nothing is lost.');
	const tooLarge = Number(event.request.headers.get('content-length') ?? 0) > MOST_BODY_BYTES;
	if (tooLarge) return new Response(`${TOO_LARGE}\n`, { status: 413 });
	readInWords(event.request);
	intoLitres(event.url.searchParams);

	event.locals.services = services;
	event.locals.clockSetting = wired.setting;
	const wantsPage = event.request.headers.get('accept')?.includes('text/html') ?? false;
	const opensPage = wantsPage && event.request.method === 'GET';
	event.locals.isDemo = wired.signInAs !== null;
	event.locals.accounts = wired.accounts && {
		...wired.accounts.for({
			headers: event.request.headers,
			address,
			hostname: asked.hostname
		}),
		hasAccounts: wired.accounts.hasAccounts,
		sendsMail: wired.accounts.sendsMail
	};
	event.locals.setCookies = (cookies) => setCookies(event, cookies);
	await findPerson(event, opensPage);
	const { person } = event.locals;
	// A session that ran out leads to where one signs in, and from there back.
	if (!person && wired.accounts && opensPage && NEEDS_PERSON.test(event.route.id ?? '')) {
		const back = encodeURIComponent(event.url.pathname + event.url.search);
		return new Response(null, { status: 303, headers: { location: `/sign-in?back=${back}` } });
	}
	if (person && !limiter.admits(`member ${person.id}`)) return tooOften();
	event.locals.openWater = once(async (waterId: string) => {
		if (!person) error(401, { message: 'You are not signed in.', code: 'not-signed-in' });
		return services.water.openWater(person, waterId);
	});

	const { theme } = event.locals.preferences;
	const first = paintFirst();
	const response = await resolve(event, {
		preload: first.preload,
		transformPageChunk: ({ html }) => first.written(html).replace('%tevrik.theme%', theme)
	});
	const { water } = event.params;
	const wrote = event.request.method === 'POST' && response.status < 400;
	// Where nobody reckons beside this thread, the next look does it itself.
	if (wrote && person && water && wired.pool) void services.prepare(person, water);
	// Kit answers every unexpected failure with 500; that the records are away or busy is one that passes.
	if (response.status === 500 && event.locals.passing) {
		const headers = new Headers(response.headers);
		headers.set('retry-after', String(RETRY_SECONDS));
		headers.set('cache-control', 'no-store');
		headers.set('x-content-type-options', 'nosniff');
		return new Response(response.body, { status: 503, headers });
	}
	if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'private, no-cache');
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	// Who reads at a place changes without its cookie.
	const session = [ACCOUNT_COOKIE, PLACE_COOKIE, SESSION_COOKIE]
		.map((name) => event.cookies.get(name) ?? '')
		.concat(person?.place?.readerId ?? '')
		.join(' ');
	return compressed(event.request, ofSession(event.request, response, session));
};

const DATABASE_AWAY = new Set([
	'RECORDS_BUSY',
	'ECONNREFUSED',
	'PROTOCOL_CONNECTION_LOST',
	'ETIMEDOUT',
	'ECONNRESET',
	'ENOTFOUND'
]);

function codeOf(fault: unknown): string | undefined {
	const cause = (fault as { cause?: unknown } | null)?.cause;
	return (cause as { code?: string } | undefined)?.code ?? (fault as { code?: string } | null)?.code;
}

/** The person gets an id; the log gets the details, without the parameters of a query. */
export const handleError: HandleServerError = ({ error: fault, event, status }) => {
	if (status === 404) return { message: 'There is no such page.', code: 'not-found' };
	const id = randomUUID();
	const code = codeOf(fault);
	const cause = fault instanceof Error && fault.cause instanceof Error ? fault.cause : fault;
	log.error({
		id,
		route: event.route.id,
		code,
		// A failed query's own message holds its parameters; its cause does not.
		message: cause instanceof Error ? cause.message : 'unknown',
		stack: cause instanceof Error ? cause.stack : undefined
	});
	if (code && DATABASE_AWAY.has(code)) {
		event.locals.passing = true;
		return {
			message: 'The records cannot be reached just now. What you entered is kept; try again in a moment.',
			code: 'database-away'
		};
	}
	return { message: `Something went wrong on the server. It is noted as ${id}.`, code: id };
};
