// npm run photographs:remove   removes the bytes of photographs and voice notes that were taken back; what they were of stays noted
import mysql from 'mysql2/promise';
import { ensurePackages, ensurePrograms } from './bootstrap.mjs';
import { reach } from './reach.mjs';
import { main } from './say.mjs';

await main(async () => {
	ensurePrograms('mariadb');
	ensurePackages();
	const { url, done } = await reach();
	const connection = await mysql.createConnection(url);
	try {
		const [{ affectedRows }] = await connection.query(
			`update attachment as a
			 join attachment_withdrawal as w on w.site_id = a.site_id and w.attachment_id = a.id
			 set a.content = '', a.size_bytes = 0 where a.size_bytes > 0`
		);
		console.log(
			affectedRows === 0
				? 'No photograph or voice note was taken back since the last time.'
				: `Removed the bytes of ${affectedRows} ${affectedRows === 1 ? 'photograph or voice note' : 'photographs or voice notes'}. Backups made before still hold them.`
		);
	} finally {
		await connection.end();
		await done();
	}
});
