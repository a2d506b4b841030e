// The built server, and beside it the same over https for the house. One port of the house takes both kinds of
// callers: who speaks https comes to the application, who does not is led through trusting the authority first.
import { X509Certificate } from 'node:crypto';
import { createServer as createPlain } from 'node:http';
import { createServer as createSecure } from 'node:https';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { certificateFor } from './authority.mjs';
import { doorstep } from './doorstep.mjs';

const { TEVRIK_BUILD, TEVRIK_HOUSE } = process.env;
/** @type {{ folder: string, names: string[], addresses: string[], port: number }} */
const house = JSON.parse(TEVRIK_HOUSE);
const DAY_MS = 86_400_000;
/** The first byte of a TLS greeting (RFC 8446, 5.1: handshake). */
const HANDSHAKE = 22;

// The application looks for its threads beside the program that was started.
process.argv[1] = join(TEVRIK_BUILD, 'index.js');
const { server } = await import(process.argv[1]);
const plainOf = (req) => {
	// What a caller says of its own way here counts for nothing.
	req.headers['x-forwarded-proto'] = 'http';
};
server.server.prependListener('request', plainOf);

let made = await certificateFor(house.folder, house.names);
const secure = createSecure({ key: made.key, cert: made.cert }, (req, res) => {
	req.headers['x-forwarded-proto'] = 'https';
	server.handler(req, res);
});
const plain = createPlain(
	doorstep({
		port: house.port,
		authority: () => made.authority,
		fingerprint: () => new X509Certificate(made.authority).fingerprint256
	})
);

/** Everybody who is connected, whether they said anything yet or not. */
const callers = new Set();
/** So long a caller may still be answered after the end was wished for. */
const LAST_ANSWERS_MS = 3000;

/** Hands a caller on by the first byte that it says. */
function receive(socket) {
	callers.add(socket);
	socket.once('close', () => callers.delete(socket));
	const forget = () => socket.destroy();
	socket.setTimeout(30_000, forget);
	socket.once('error', forget);
	socket.once('readable', () => {
		const first = socket.read(1);
		if (first === null) return forget();
		socket.setTimeout(0);
		socket.off('error', forget);
		socket.unshift(first);
		(first[0] === HANDSHAKE ? secure : plain).emit('connection', socket);
	});
}

const listeners = house.addresses.map((address) => createServer(receive).listen(house.port, address));

// Renewed by itself, while it runs as well.
const renewal = setInterval(() => {
	void certificateFor(house.folder, house.names).then((now) => {
		if (now.renewed) secure.setSecureContext({ key: now.key, cert: now.cert });
		made = now;
	});
}, DAY_MS);
renewal.unref();

for (const signal of ['SIGTERM', 'SIGINT']) {
	process.once(signal, () => {
		for (const listener of listeners) listener.close();
		secure.closeIdleConnections();
		plain.closeIdleConnections();
		setTimeout(() => callers.forEach((socket) => socket.destroy()), LAST_ANSWERS_MS).unref();
	});
}
