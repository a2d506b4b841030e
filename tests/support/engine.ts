import { randomBytes } from 'node:crypto';
import mysql from 'mysql2/promise';
import { readInto } from '../../scripts/test-engine.mjs';
import { grantToApplication } from '../../src/lib/server/db/grants.ts';

/** The server that all files of tests share. */
export interface Engine {
	readonly url: string;
	readonly migrationUrl: string;
	/** Of the user who fills scratch schemas for a restore. */
	readonly loadUrl: string;
	readonly applicationUser: string;
}

export interface OwnDatabase {
	readonly url: string;
	readonly migrationUrl: string;
	drop(): Promise<void>;
}

function withDatabase(url: string, database: string): string {
	const other = new URL(url);
	other.pathname = `/${database}`;
	return other.href;
}

/** A database of one's own on the shared server, made from a template. */
export async function copyOf(engine: Engine, template: string): Promise<OwnDatabase> {
	const name = `tevrik_test_${randomBytes(6).toString('hex')}`;
	const run = async (sql: string) => {
		const connection = await mysql.createConnection(engine.migrationUrl);
		try {
			await connection.query(sql);
		} finally {
			await connection.end();
		}
	};
	await run(`create database \`${name}\` character set utf8mb4 collate utf8mb4_unicode_ci`);
	const migrationUrl = withDatabase(engine.migrationUrl, name);
	await readInto(migrationUrl, template);
	await grantToApplication(migrationUrl, engine.applicationUser);
	return {
		url: withDatabase(engine.url, name),
		migrationUrl,
		drop: () => run(`drop database \`${name}\``)
	};
}
