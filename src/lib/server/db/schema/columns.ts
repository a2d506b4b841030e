import type { Instant } from '$lib/core/time';
import { customType } from 'drizzle-orm/mysql-core';

/** UUID v7 made by whoever creates the row; MariaDB stores it natively in 16 bytes. */
export const uuid = customType<{ data: string; driverData: string }>({
	dataType: () => 'uuid'
});

/** An instant in UTC to the millisecond. The driver hands dates over as text, without a zone. */
export const instantAt = customType<{ data: Instant; driverData: string }>({
	dataType: () => 'datetime(3)',
	toDriver: (at) => new Date(at).toISOString().replace('T', ' ').replace('Z', ''),
	fromDriver: (text) => Date.parse(`${text.replace(' ', 'T')}Z`) as Instant
});

/** A JSON document; MariaDB keeps it as checked text. */
export const document = <T>() =>
	customType<{ data: T; driverData: string }>({
		dataType: () => 'json',
		toDriver: (value) => JSON.stringify(value),
		fromDriver: (value: unknown) => (typeof value === 'string' ? JSON.parse(value) : value) as T
	});

/** A picture as it is sent, at most 16 MB; what may come in is limited where it comes in. */
export const bytes = customType<{ data: Buffer; driverData: Buffer }>({
	dataType: () => 'mediumblob'
});
