// npm run house:remove   takes away the authority of the house; phones that trusted it are told to forget it
import { join } from 'node:path';
import { ensurePackages, OWN_HOME } from './bootstrap.mjs';
import { main } from './say.mjs';

await main(async () => {
	ensurePackages();
	const { removeAuthority } = await import('./authority.mjs');
	console.log(
		removeAuthority(join(OWN_HOME, 'house'))
			? 'The authority of the house is gone. On each phone that trusted it, remove its certificate in the settings. The next start with --house makes a new one.'
			: 'There is no authority of the house.'
	);
});
