/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
/// <reference types="@sveltejs/kit" />
import { build, files, version } from '$service-worker';

// The application's own files and one page without any data are kept, so that the bench goes on without a network.
// What was read stands in the page's own store, never here.
const scope = self as unknown as ServiceWorkerGlobalScope;
const CACHE = `tevrik-${version}`;
const BENCH = '/offline';
const OWN = new Set([...build, ...files]);

async function keepAll(): Promise<void> {
	const cache = await caches.open(CACHE);
	await cache.addAll([...OWN]);
	// Asked for without cookies: the page that is kept is nobody's.
	const page = await fetch(BENCH, { credentials: 'omit' });
	if (!page.ok) throw new Error('the bench cannot be kept');
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
	const kept = await (await caches.open(CACHE)).match(request);
	return kept ?? fetch(request);
}

scope.addEventListener('install', (event) => event.waitUntil(keepAll().then(() => scope.skipWaiting())));
scope.addEventListener('activate', (event) => event.waitUntil(forgetOlder()));
scope.addEventListener('fetch', (event) => {
	const { request } = event;
	if (request.method !== 'GET') return;
	const url = new URL(request.url);
	if (url.origin !== scope.location.origin) return;
	if (request.mode === 'navigate') event.respondWith(page(request));
	else if (OWN.has(url.pathname)) event.respondWith(ownFile(request));
});
