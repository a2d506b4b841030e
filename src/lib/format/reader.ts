import { BRITISH, type Reader } from '$lib/contract/reader';

/**
 * The one who reads what is being written: every word of `format/` asks here, so that no view hands it through. On the
 * server it belongs to the request that is being answered, in the browser to the page.
 */
let source: () => Reader = () => BRITISH;

export function reader(): Reader {
	return source();
}

/** Says who is asked for the reader: once on the server, once in a browser. */
export function readBy(asked: () => Reader): void {
	source = asked;
}
