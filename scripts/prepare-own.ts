// Takes in what an update brought, and makes a link for the first account as long as there is none.
import { clockSetting, idMaker, serverClock } from '../src/lib/server/clock.ts';
import { newBeginning } from '../src/lib/server/account/door.ts';
import { LIBRARY } from '../src/lib/demo/lobby-reef.ts';
import { madeUpSites, siteByName } from '../src/lib/server/repository/founding.ts';
import { connect } from '../src/lib/server/db/connect.ts';
import { adoptShipped } from '../src/lib/server/service/method/adopt-shipped.ts';

const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
const connection = connect(url);
const clock = serverClock(clockSetting(process.env.TEVRIK_CLOCK, performance.timeOrigin + performance.now()));
const deps = { db: connection.db, clock, newId: idMaker(clock) };
try {
	// Whoever is the demo's keeper is signed in without a word: that is no place for somebody's own.
	const demo = await siteByName(connection.db, LIBRARY.name);
	if (demo && !(await madeUpSites(connection.db)).includes(demo.id)) {
		throw new Error('this database holds the demo; one’s own water needs one of its own');
	}
	await adoptShipped(deps);
	console.log(JSON.stringify({ beginning: await newBeginning(deps) }));
} finally {
	await connection.close();
}
