import { connect } from '../src/lib/server/db/connect.ts';
import { openAccounts } from '../src/lib/server/account/accounts.ts';
import { readFileSync } from 'node:fs';
import mysql from 'mysql2/promise';
const { migrationUrl } = JSON.parse(readFileSync('.tevrik-own/connection.json','utf8'));
const c = connect(migrationUrl);
const raw = await mysql.createConnection(migrationUrl);
console.log((await raw.query('select * from auth_user'))[0], (await raw.query('select * from auth_session'))[0], (await raw.query('select hex(person_id), user_id from person_account'))[0], (await raw.query('select * from beginning'))[0]);
const a = openAccounts(c.db, 'x'.repeat(40));
const r = await a.signIn({ name: 'ROWAN ', password: 'four odd green pumps' });
console.log(r);
if (r.ok) { const cookie = r.value.cookies.map((k) => `${k.name}=${encodeURIComponent(k.value)}`).join('; '); console.log(await a.sessionOf(new Headers({ cookie }))); }
console.log(await a.signIn({ name: 'rowan', password: 'nope nope nope' }), await a.signIn({ name: 'nobody', password: 'nope nope nope' }));
await c.close(); await raw.end();
