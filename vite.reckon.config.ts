import { join } from 'node:path';
import { defineConfig } from 'vite';

/** The program of the threads that reckon: the server's own code without the framework, in one file beside it. */
export default defineConfig({
	resolve: { alias: { $lib: join(import.meta.dirname, 'src/lib') } },
	publicDir: false,
	build: {
		ssr: 'src/lib/server/reckon/worker.ts',
		target: 'node20',
		rollupOptions: { output: { entryFileNames: 'worker.js', format: 'es' } }
	}
});
