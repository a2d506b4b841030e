// node scripts/build.mjs FOLDER KIT-FOLDER   builds the application there, unless what is there fits its sources
import { build } from './application.mjs';
import { main } from './say.mjs';

const [folder, kitFolder] = process.argv.slice(2);
await main(() => void build(folder, kitFolder));
