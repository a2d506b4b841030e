// An authority of one's own for https in the home network: made once, kept by its owner alone, and trusted by the
// phones that its owner hands it to. Its certificates are for names and addresses of the house only.
import { randomBytes, webcrypto } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import * as x509 from '@peculiar/x509';

x509.cryptoProvider.set(webcrypto);

const KEY = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 10 * 365;
/** Phones refuse certificates that last much longer than a year. */
const CERTIFICATE_DAYS = 390;
/** So long before its end a certificate is made anew. */
const RENEW_DAYS = 60;
/** A clock of another device may be behind. */
const BEFORE_MS = DAY_MS;

const pem = async (key) =>
	x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), x509.PemConverter.PrivateKeyTag);
const keyOf = (text) =>
	webcrypto.subtle.importKey('pkcs8', x509.PemConverter.decodeFirst(text), KEY, true, ['sign']);
const serial = () => `00${randomBytes(15).toString('hex')}`;
const secret = (file, text) => writeFileSync(file, text, { mode: 0o600 });

async function makeAuthority(folder, now) {
	const keys = await webcrypto.subtle.generateKey(KEY, true, ['sign', 'verify']);
	const certificate = await x509.X509CertificateGenerator.createSelfSigned({
		serialNumber: serial(),
		name: `CN=Tevrik of this house ${randomBytes(3).toString('hex')}`,
		notBefore: new Date(now - BEFORE_MS),
		notAfter: new Date(now + AUTHORITY_DAYS * DAY_MS),
		signingAlgorithm: KEY,
		keys,
		extensions: [
			new x509.BasicConstraintsExtension(true, 0, true),
			new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
			await x509.SubjectKeyIdentifierExtension.create(keys.publicKey)
		]
	});
	// The key first: without it the certificate would be of no use, and is made again.
	secret(join(folder, 'authority.key'), await pem(keys.privateKey));
	writeFileSync(join(folder, 'authority.crt'), certificate.toString('pem'), { mode: 0o644 });
}

const isAddress = (name) => /^[\d.]+$/.test(name) || name.includes(':');

/** The names that a certificate is for. */
function namesIn(certificate) {
	const names = certificate.getExtension(x509.SubjectAlternativeNameExtension)?.names.toJSON() ?? [];
	return names.map((n) => n.value);
}

/** Whether a certificate still stands for all these names, signed by this authority. */
async function stillGood(file, names, authority, now) {
	if (!existsSync(file)) return false;
	try {
		const certificate = new x509.X509Certificate(readFileSync(file, 'utf8'));
		const has = new Set(namesIn(certificate));
		return (
			certificate.notAfter.getTime() - now > RENEW_DAYS * DAY_MS &&
			names.every((name) => has.has(name)) &&
			(await certificate.verify({ publicKey: authority.publicKey, signatureOnly: true }))
		);
	} catch {
		return false;
	}
}

/**
 * What a server needs to speak https under these names: made where it is missing, renewed where it ends soon or a name
 * is new. The authority stays the same, so that phones that trust it go on doing so.
 *
 * @param {string} folder of the authority; only its owner may look into it
 * @param {string[]} names and addresses of this machine in the house
 * @returns {Promise<{ key: string, cert: string, authority: string, renewed: boolean, until: Date }>} PEM
 */
export async function certificateFor(folder, names, now = Date.now()) {
	mkdirSync(folder, { recursive: true, mode: 0o700 });
	const at = (name) => join(folder, name);
	if (!existsSync(at('authority.key')) || !existsSync(at('authority.crt'))) await makeAuthority(folder, now);
	const authority = new x509.X509Certificate(readFileSync(at('authority.crt'), 'utf8'));
	const renewed = !(existsSync(at('house.key')) && (await stillGood(at('house.crt'), names, authority, now)));
	if (renewed) {
		const keys = await webcrypto.subtle.generateKey(KEY, true, ['sign', 'verify']);
		const certificate = await x509.X509CertificateGenerator.create({
			serialNumber: serial(),
			subject: 'CN=Tevrik',
			issuer: authority.subject,
			notBefore: new Date(now - BEFORE_MS),
			notAfter: new Date(now + CERTIFICATE_DAYS * DAY_MS),
			signingAlgorithm: KEY,
			publicKey: keys.publicKey,
			signingKey: await keyOf(readFileSync(at('authority.key'), 'utf8')),
			extensions: [
				new x509.BasicConstraintsExtension(false, undefined, true),
				new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
				new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
				new x509.SubjectAlternativeNameExtension(
					names.map((value) => ({ type: isAddress(value) ? 'ip' : 'dns', value }))
				),
				await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
				await x509.AuthorityKeyIdentifierExtension.create(authority.publicKey)
			]
		});
		secret(at('house.key'), await pem(keys.privateKey));
		writeFileSync(at('house.crt'), certificate.toString('pem'));
	}
	const cert = readFileSync(at('house.crt'), 'utf8');
	return {
		key: readFileSync(at('house.key'), 'utf8'),
		cert,
		authority: readFileSync(at('authority.crt'), 'utf8'),
		renewed,
		until: new x509.X509Certificate(cert).notAfter
	};
}

/** Takes the authority away. Phones that trusted it should be told to forget it. */
export function removeAuthority(folder) {
	const was = existsSync(join(folder, 'authority.crt'));
	rmSync(folder, { recursive: true, force: true });
	return was;
}
