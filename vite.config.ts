import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { svelteTesting } from '@testing-library/svelte/vite';
import { defineConfig } from 'vitest/config';
import type { Plugin } from 'vite';
import { ownTheme } from './vite.theme.ts';

/** What so many pages and parts share goes with them all: a fifth of the pages there are, so more as there are more. */
const SHARED_BY = 16;

/**
 * A page of seventy small files waits for them in turn on a slow line, six at a time: few larger ones bring the same
 * with less waiting.
 */
function fewFiles(): Plugin {
	return {
		name: 'tevrik-few-files',
		config: (config) =>
			config.build?.ssr
				? {}
				: {
						build: {
							rolldownOptions: {
								output: {
									codeSplitting: {
										groups: [{ name: 'base', minShareCount: SHARED_BY }]
									}
								}
							}
						}
					}
	};
}

export default defineConfig({
	plugins: [ownTheme(), tailwindcss(), sveltekit(), fewFiles()],
	worker: { format: 'es' },
	build: { chunkSizeWarningLimit: 700 },
	test: {
		projects: [
			{
				extends: true,
				test: {
					name: 'unit',
					// They keep nothing in their modules: one worker serves many files.
					isolate: false,
					maxWorkers: 2,
					testTimeout: 60_000,
					environment: 'node',
					include: [
						'src/**/*.test.ts',
						'tests/cases/**/*.test.ts',
						'scripts/**/*.test.ts',
						'tests/*.test.ts',
						'tests/calibrate/**/*.test.ts',
						'tests/fuzz/**/*.test.ts',
						'tests/harm/**/*.test.ts'
					]
				}
			},
			{
				extends: true,
				plugins: [svelteTesting()],
				test: {
					name: 'component',
					// A page without a browser; none of what is seen is told by it, but all that happens.
					environment: 'happy-dom',
					include: ['tests/component/**/*.test.ts'],
					// A property renders a part some dozen times, while the rest of the checks keep the processor busy.
					testTimeout: 60_000
				}
			},
			{
				extends: true,
				test: {
					name: 'integration',
					environment: 'node',
					include: ['tests/integration/**/*.test.ts'],
					globalSetup: ['tests/support/engine.setup.ts'],
					testTimeout: 90_000,
					hookTimeout: 120_000
				}
			},
			{
				extends: true,
				test: {
					name: 'e2e',
					environment: 'node',
					include: ['tests/e2e/**/*.test.ts'],
					globalSetup: ['tests/support/engine.setup.ts', 'tests/e2e/browser.setup.ts'],
					// Nothing is kept in their modules: what one file has read in, the next need not.
					isolate: false,
					// Most of what they do is waiting for each other's pages.
					maxWorkers: 3,
					testTimeout: 300_000,
					hookTimeout: 300_000
				}
			}
		]
	}
});
