// npm start [-- --port N] [--house] [--address ADDRESS]   one's own water: empty at first, and for keeps
import { join } from 'node:path';
import { migrateDatabase, portIsFree, runScript, startScript } from './application.mjs';
import { ensurePackages, ensureRoom, OWN_HOME, ROOT } from './bootstrap.mjs';
import { houseAddresses, houseNames } from './house.mjs';
import { BUILD, launch, optionsOf, portOf, secretOf } from './launch.mjs';
import { OWN_PORT } from './ports.mjs';
import { main, stop } from './say.mjs';

/** Where the house reaches this machine, and with what certificate. */
async function houseFor(port, asked) {
	const addresses = asked ? [asked] : houseAddresses();
	if (addresses.length === 0) {
		stop(
			'This machine has no address in a home network at present. Join the network and start again, or name one: npm start -- --house --address ADDRESS'
		);
	}
	for (const address of addresses) {
		if (!(await portIsFree(port + 1, address))) {
			stop(
				`The house cannot be served at port ${port + 1} of ${address}: it is in use by another program, or is no address of this machine. Choose another: npm start -- --house --port ${port + 10}`
			);
		}
	}
	const names = [...addresses, ...houseNames()];
	const folder = join(OWN_HOME, 'house');
	const { certificateFor } = await import('./authority.mjs');
	const { authority, until } = await certificateFor(folder, names);
	const { X509Certificate } = await import('node:crypto');
	return {
		addresses,
		names,
		port: port + 1,
		folder,
		until,
		fingerprint: new X509Certificate(authority).fingerprint256
	};
}

/** What a phone's camera is held up to. */
async function qrCode(text) {
	const { default: QRCode } = await import('qrcode');
	return QRCode.toString(text, { type: 'utf8', errorCorrectionLevel: 'M', margin: 2 });
}

async function houseWords({ addresses, names, port, until, fingerprint }) {
	const door = `http://${addresses[0]}:${port}/`;
	const others = [...addresses.slice(1), ...names.filter((n) => !addresses.includes(n))];
	return [
		`In the house, for a phone at the tank: ${door}`,
		`${await qrCode(door)}\nThe phone’s camera opens it; the page leads through trusting this computer, once, and then to the bench.`,
		`Fingerprint of the authority, to compare there:\n${fingerprint}`,
		...(others.length > 0
			? [`It is also reached as ${others.map((o) => `https://${o}:${port}/`).join(', ')}`]
			: []),
		`The certificate holds until ${until.toISOString().slice(0, 10)} and is renewed by itself. To take all of it back: npm run house:remove`
	];
}

await main(async () => {
	const options = optionsOf(process.argv.slice(2), {
		'--port': 'value',
		'--house': 'flag',
		'--address': 'value'
	});
	const port = portOf(options['--port'] ?? process.env.PORT ?? OWN_PORT);
	ensureRoom(OWN_HOME);
	ensurePackages();
	const serving = {};
	await launch({
		command: 'npm start',
		home: OWN_HOME,
		port,
		options: serving,
		prepare: async (database) => {
			migrateDatabase(database, join(OWN_HOME, 'dumps'));
			serving.onmessage = async ({ makeDemoFor }) => {
				if (typeof makeDemoFor !== 'string') return;
				const env = { DATABASE_URL: database.url, TEVRIK_MEMBER: makeDemoFor };
				if (!(await startScript('seed.ts', env))) console.error('The made-up world could not be made.');
			};
			const { beginning } = JSON.parse(runScript('prepare-own.ts', { DATABASE_URL: database.url }));
			// Whoever is in the house could make the first account, and read all that comes after.
			const house = options['--house'] && !beginning ? await houseFor(port, options['--address']) : null;
			if (house) Object.assign(serving, { entry: join(ROOT, 'scripts/serve-house.mjs') });
			const hosts = house ? house.names.map((name) => `${name}:${house.port}`) : [];
			const houseLines = house ? await houseWords(house) : [];
			return {
				env: {
					TEVRIK_SECRET: secretOf(OWN_HOME),
					...(house
						? {
								TEVRIK_BUILD: BUILD,
								TEVRIK_HOUSE: JSON.stringify(house),
								TEVRIK_HOSTS: [`localhost:${port}`, ...hosts].join(','),
								PROTOCOL_HEADER: 'x-forwarded-proto',
								HOST_HEADER: 'host',
								TEVRIK_HOUSE_DOOR: JSON.stringify({
									door: `http://${house.addresses[0]}:${house.port}/`,
									addresses: house.names.map((name) => `https://${name}:${house.port}/`),
									fingerprint: house.fingerprint
								})
							}
						: {})
				},
				say: (origin) => [
					...(beginning
						? [`Nobody has an account yet. To make the first, once: ${origin}/begin/${beginning}`]
						: []),
					...(beginning && options['--house']
						? [
								'The house is not served yet: without an account whoever is in it could take this Tevrik. Make the account, end this with Ctrl-C, and start again with --house.'
							]
						: houseLines),
					`What is entered stands in ${OWN_HOME}; npm run backup makes a copy of it.`
				]
			};
		}
	});
});
process.exit();
