/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
/// <reference types="@sveltejs/kit" />
import { build, files, version } from '$service-worker';

// One page without any data is kept, and the files of the application that it needs, so that the bench goes on without
// a network. Other files are kept when they are first asked for. What was read stands in the page's own store, never here.
const scope = self as unknown as ServiceWorkerGlobalScope;
const CACHE = `tevrik-${version}`;
const BENCH = '/offline';
const OWN = new Set([...build, ...files]);

/**
 * What a page starts with, as its answer names it: styles and the first programs in its text, all that these stand on
 * in its Link header. Its threads and its letters besides, which it asks for later.
 */
function neededBy(answer: Response, html: string): string[] {
	const named = `${html} ${answer.headers.get('link') ?? ''}`.match(/_app\/immutable\/[^"')>\s]+/g) ?? [];
	const later = [...OWN].filter((path) => /\/workers\/plan|latin-wght-normal|\/icon\.svg$/.test(path));
	return [...new Set([...named.map((path) => `/${path}`), ...later])].filter((path) => OWN.has(path));
}

async function keepBench(): Promise<void> {
	const cache = await caches.open(CACHE);
	// Asked for without cookies: the page that is kept is nobody's.
	const page = await fetch(BENCH, { credentials: 'omit' });
	if (!page.ok) throw new Error('the bench cannot be kept');
	await cache.addAll(neededBy(page, await page.clone().text()));
	await cache.put(BENCH, page);
}

async function forgetOlder(): Promise<void> {
	for (const key of await caches.keys()) if (key !== CACHE) await caches.delete(key);
	await scope.clients.claim();
}

/** The bench where the server is away; its address says which water was looked at. */
async function page(request: Request): Promise<Response> {
	try {
		return await fetch(request);
	} catch (error) {
		const { pathname } = new URL(request.url);
		const kept = await (await caches.open(CACHE)).match(BENCH);
		if (!kept) throw error;
		if (pathname === BENCH) return kept;
		const water = /^\/waters\/([^/]+)/.exec(pathname)?.[1];
		return Response.redirect(water ? `${BENCH}?water=${water}` : BENCH, 302);
	}
}

async function ownFile(request: Request): Promise<Response> {
	const cache = await caches.open(CACHE);
	const kept = await cache.match(request);
	if (kept) return kept;
	const answer = await fetch(request);
	if (answer.ok && answer.status === 200) await cache.put(request, answer.clone());
	return answer;
}

scope.addEventListener('install', (event) => event.waitUntil(keepBench().then(() => scope.skipWaiting())));
scope.addEventListener('activate', (event) => event.waitUntil(forgetOlder()));
scope.addEventListener('fetch', (event) => {
	const { request } = event;
	if (request.method !== 'GET') return;
	const url = new URL(request.url);
	if (url.origin !== scope.location.origin) return;
	if (request.mode === 'navigate') event.respondWith(page(request));
	else if (OWN.has(url.pathname)) event.respondWith(ownFile(request));
});
