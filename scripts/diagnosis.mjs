// What is wrong with a Tevrik, in sentences; from facts that doctor.mjs gathers.

const DAY_MS = 86_400_000;
const OLD_BACKUP_DAYS = 8;
const LITTLE_BYTES = 1_000_000_000;
const CLOSE_DAYS = 14;
const CLOCK_MS = 5 * 60_000;
export const OLDEST_NODE = [20, 19];

const days = (ms) => Math.floor(ms / DAY_MS);
const some = (n, one, more) => (n === 1 ? `1 ${one}` : `${n} ${more}`);
const day = (ms) => new Date(ms).toISOString().slice(0, 10);

/** @typedef {{ isWrong: boolean, text: string }} Finding */

function node({ nodeVersion }) {
	const [major, minor] = nodeVersion.split('.').map(Number);
	const isOld = major < OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor < OLDEST_NODE[1]);
	return isOld
		? `Node ${nodeVersion} is too old; Tevrik needs ${OLDEST_NODE.join('.')} or newer. Install it and start again.`
		: [`Node ${nodeVersion}.`];
}

function database({ database: found }) {
	if (found.fault) return `The database is not reached: ${found.fault}. Start Tevrik once, then ask again.`;
	if (found.missingMigrations > 0) {
		return `The records are of an older version: ${some(found.missingMigrations, 'change is', 'changes are')} missing. Start Tevrik; it copies the records to a file first and brings them up.`;
	}
	if (found.unknownMigrations > 0) {
		return `The records are of a newer version than this program. Take the newer one again, or put a backup back that was made before: npm run restore -- FILE --yes`;
	}
	return [`${found.version}; the records are of this version.`];
}

function disk({ disk: { path, freeBytes } }) {
	const free = `${(freeBytes / 1e9).toFixed(1)} GB are free where the records are (${path})`;
	return freeBytes < LITTLE_BYTES ? `Only ${free}. Make room: a full disk takes no readings.` : [`${free}.`];
}

function clock({ now, lastRecordAt, clockSynced }) {
	if (lastRecordAt !== null && lastRecordAt > now + CLOCK_MS) {
		return `The clock of this machine stands before the last record (${new Date(lastRecordAt).toISOString()}). Set it: times of readings would be wrong.`;
	}
	if (clockSynced === false) {
		return 'The clock of this machine is not set by the network. Switch that on (timedatectl set-ntp true), or look at it now and then.';
	}
	return ['The clock agrees with the records.'];
}

function backups({ now, backups: { newestAt, folder }, hasRecords }) {
	if (!hasRecords) return ['There are no records yet, so nothing to back up.'];
	if (newestAt === null)
		return `There is no backup in ${folder}. Make one: npm run backup. How it is done by itself stands in docs/installation.md.`;
	const old = days(now - newestAt);
	return old >= OLD_BACKUP_DAYS
		? `The newest backup is ${some(old, 'day', 'days')} old (${folder}). Make one: npm run backup; and look at why none was made by itself.`
		: [`The newest backup is of ${day(newestAt)} (${folder}).`];
}

function address({ address: { origin, fault } }) {
	if (origin === null)
		return 'It was not started here yet, so nothing is known of its address. Start it: npm start';
	return fault
		? `It does not answer at ${origin}: ${fault}. Start it, or look at what it said.`
		: [`It answers at ${origin}.`];
}

function certificate({ now, certificates }) {
	if (certificates.length === 0) return ['It is reached without a certificate, on this machine alone.'];
	return certificates.map(({ of, until, fault }) => {
		if (fault) return `The certificate of ${of} could not be read: ${fault}.`;
		const left = days(until - now);
		if (left < 0)
			return `The certificate of ${of} ended on ${day(until)}. Renew it: no device trusts it any more.`;
		if (left < CLOSE_DAYS)
			return `The certificate of ${of} ends on ${day(until)}, in ${some(left, 'day', 'days')}. Renew it.`;
		return [`The certificate of ${of} holds until ${day(until)}.`];
	});
}

function mode({ secretMode }) {
	return secretMode !== null && (secretMode & 0o077) !== 0
		? 'Others on this machine can read the secret that signs sessions. Run: chmod 600 .tevrik-own/secret'
		: [];
}

/**
 * What stands well and what is wrong, each in one sentence. A sentence in a list is well; one alone is wrong.
 *
 * @returns {Finding[]}
 */
export function diagnose(facts) {
	return [node, database, disk, clock, backups, address, certificate, mode]
		.flatMap((look) => {
			const said = look(facts);
			return look === certificate && facts.certificates.length > 0 ? said : [said];
		})
		.flatMap((said) =>
			Array.isArray(said) ? said.map((text) => ({ isWrong: false, text })) : [{ isWrong: true, text: said }]
		);
}
