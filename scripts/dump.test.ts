import { describe, expect, it } from 'vitest';
import { LINE } from './dump.mjs';

/** What each version writes around the rows of a table. */
const WRITTEN = {
	'10.11': [
		'/*M!999999\\- enable the sandbox mode */ ',
		'-- MariaDB dump 10.19-11',
		'DROP TABLE IF EXISTS `site`;',
		'/*!40101 SET @saved_cs_client     = @@character_set_client */;',
		'CREATE TABLE `site` (',
		'  `id` uuid NOT NULL,',
		') ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;',
		'LOCK TABLES `site` WRITE;',
		'set autocommit=0;',
		'INSERT INTO `site` VALUES',
		"('01a2','Quay library')",
		'commit;',
		'UNLOCK TABLES;'
	],
	'11.8': [
		'/*M!100616 SET @OLD_NOTE_VERBOSITY=@@NOTE_VERBOSITY, NOTE_VERBOSITY=0 */;',
		'SET @OLD_AUTOCOMMIT=@@AUTOCOMMIT, @@AUTOCOMMIT=0;',
		'COMMIT;',
		'SET AUTOCOMMIT=@OLD_AUTOCOMMIT;'
	]
};

describe('a backup', () => {
	it.each(Object.entries(WRITTEN))('of MariaDB %s is known as one, line by line', (_, lines) => {
		for (const line of lines) expect(LINE.test(line), line).toBe(true);
	});
	it('holds nothing else', () => {
		const strange = [
			'CREATE USER someone;',
			'GRANT ALL ON *.* TO someone;',
			'system rm -rf /',
			'\\! id',
			'COMMIT AND CHAIN; DROP DATABASE x;',
			'SET GLOBAL init_connect="x";',
			'DELETE FROM site;'
		];
		for (const line of strange) expect(LINE.test(line), line).toBe(false);
	});
});
