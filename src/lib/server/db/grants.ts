import mysql from 'mysql2/promise';

/** What is entered once and never changed: the application may add to it and read it, nothing else. */
const RAW = [
	'sample',
	'test_run',
	'run_item',
	'shelf_item',
	'shelf_note',
	'kit_check',
	'attachment',
	'attachment_withdrawal',
	'raw_reading',
	'slip_answer',
	'session_sheet',
	'test_set',
	'purified_note',
	'practice_trial',
	'reader_use',
	'practice_note',
	'said_before',
	'event',
	'target',
	'judgement_setting',
	'own_profile',
	'laboratory_sample',
	'laboratory_answer',
	'supplement',
	'daily_limit',
	'correction_plan',
	'plan_note',
	'command_receipt',
	'site_history',
	'place_reader'
];
const CHANGEABLE = [
	'site',
	'person',
	'membership',
	'water',
	'water_volume',
	'water_profile',
	'water_lights',
	'beginning',
	'method_version',
	'site_method',
	'bench_session',
	'calendar_feed',
	'invitation',
	'place',
	'visitor_sheet',
	'reset_link',
	'revision'
];
/** What comes and goes: who is signed in, and what can be reckoned again. */
const PASSING = [
	'sign_in_session',
	'kept_track',
	'auth_user',
	'auth_session',
	'auth_account',
	'auth_verification',
	'auth_two_factor',
	'auth_passkey',
	'person_account',
	'reader_pin',
	'failed_try'
];

/**
 * Gives the application's user its rights, table by table: no DDL, raw tables insert and select only, of a
 * result only which one is current.
 *
 * @param migrationUrl of a user that may grant
 */
export async function grantToApplication(migrationUrl: string, applicationUser: string): Promise<void> {
	const connection = await mysql.createConnection(migrationUrl);
	const to = `${connection.escape(applicationUser)}@'127.0.0.1'`;
	try {
		for (const table of RAW) await connection.query(`grant select, insert on \`${table}\` to ${to}`);
		for (const table of CHANGEABLE)
			await connection.query(`grant select, insert, update on \`${table}\` to ${to}`);
		await connection.query(`grant select, insert, update (\`current\`) on \`result\` to ${to}`);
		for (const table of PASSING)
			await connection.query(`grant select, insert, update, delete on \`${table}\` to ${to}`);
	} finally {
		await connection.end();
	}
}
