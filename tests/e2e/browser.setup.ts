import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { build } from '../../scripts/application.mjs';
import { launchBrowser } from '../../scripts/browser.mjs';

const ROOT = join(import.meta.dirname, '../..');

declare module 'vitest' {
	interface ProvidedContext {
		/** Where the one browser is reached. */
		browser: string;
		/** The folder of the built application. */
		build: string;
	}
}

/** The built application, and the one browser in which every file of tests has windows of its own. */
export default async function setup(project: TestProject) {
	const folder = process.env.TEVRIK_TEST_BUILD ?? join(ROOT, '.test/build');
	build(folder, join(folder, '../kit'));
	const browser = await launchBrowser();
	project.provide('build', folder);
	project.provide('browser', browser.wsEndpoint());
	return () => browser.close();
}
