// Fills the demo world once, through the same services as the application. Prints who the demo member is.
import { civilDate } from '../src/lib/core/time/index.ts';
import { LIBRARY } from '../src/lib/demo/lobby-reef.ts';
import { demoWorld } from '../src/lib/demo/world.ts';
import { clockSetting, serverClock } from '../src/lib/server/clock.ts';
import { connect } from '../src/lib/server/db/connect.ts';
import { hasAccounts } from '../src/lib/server/repository/account.ts';
import { memberByRole, siteByName } from '../src/lib/server/repository/founding.ts';
import { adoptShipped } from '../src/lib/server/service/method/adopt-shipped.ts';
import { lookAtMadeUp } from '../src/lib/server/service/water/made-up.ts';
import { fillSite } from './seed/site.ts';
import { Teller } from './seed/teller.ts';

const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
const connection = connect(url);
const { db } = connection;
const real = serverClock(clockSetting(process.env.TEVRIK_CLOCK, performance.timeOrigin + performance.now()));
const now = real.now();
const teller = new Teller(connection, now);

/** Who asked for it, where it is made beside somebody's own water. */
const member = process.env.TEVRIK_MEMBER;

async function fill(): Promise<string> {
	let people: Record<string, string> = {};
	for (const site of demoWorld(now))
		people = {
			...people,
			...(await fillSite(teller, site, { known: people, madeUp: member !== undefined }))
		};
	return people.Keeper!;
}

// In the demo somebody may have come in by an invitation, too.
if (member === undefined && !(await siteByName(db, LIBRARY.name)) && (await hasAccounts(db))) {
	throw new Error('this database holds somebody’s own water; the demo needs one of its own');
}
// Somebody who looks at it beside their own water.
if (member !== undefined && !(await lookAtMadeUp(teller.deps, { id: member }))) {
	await fill();
	await lookAtMadeUp(teller.deps, { id: member });
}

const site = await siteByName(db, LIBRARY.name);
if (site) await adoptShipped(teller.deps);
const personId = site ? await memberByRole(db, site.id, 'owner') : await fill();
const madeOn = civilDate(site?.createdAt ?? now, LIBRARY.timeZone);
const ageDays = site ? Math.floor((now - site.createdAt) / 86_400_000) : 0;
console.log(JSON.stringify({ personId, madeOn, ageDays, isNew: !site }));
await connection.close();
