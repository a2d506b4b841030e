// Makes what the databases of tests are copied from, unless it is there.
import { main } from './say.mjs';
import { ensureTemplates } from './test-engine.mjs';

await main(async () => void (await ensureTemplates()));
