import type { TestProject } from 'vitest/node';
import { ensureTemplates, startEngine } from '../../scripts/test-engine.mjs';
import type { Engine } from './engine.ts';

declare module 'vitest' {
	interface ProvidedContext {
		engine: Engine;
		/** The folder of the templates that databases are made from. */
		templates: string;
	}
}

/** The shared database server: the one of the whole run, or one of this project alone. */
export default async function setup(project: TestProject) {
	const own = process.env.TEVRIK_TEST_ENGINE ? null : await startEngine();
	project.provide('engine', JSON.parse(own?.setting ?? process.env.TEVRIK_TEST_ENGINE!) as Engine);
	project.provide('templates', await ensureTemplates());
	return () => own?.stop();
}
