import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

// Tests build into folders of their own, so that a running demo keeps its build.
const outDir = process.env.TEVRIK_KIT_DIR ?? '.svelte-kit';
const out = process.env.TEVRIK_BUILD_DIR ?? 'build';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	compilerOptions: {
		runes: ({ filename }) => (filename.includes('node_modules') ? undefined : true)
	},
	// Built ahead, the library would keep its own theme.
	vitePlugin: { prebundleSvelteLibraries: false },
	kit: {
		outDir,
		inlineStyleThreshold: 4096,
		adapter: adapter({ out, precompress: true }),
		csp: {
			mode: 'nonce',
			directives: {
				'default-src': ['self'],
				'script-src': ['self'],
				'style-src': ['self'],
				// Kit's own announcer for screen readers hides itself with this one style attribute.
				'style-src-attr': ['unsafe-hashes', 'sha256-S8qMpvofolR8Mpjy4kQvEm7m1q8clzU4dfDH0AmvZjo='],
				'img-src': ['self', 'data:', 'blob:'],
				// A voice note is fetched whole and played from memory.
				'media-src': ['self', 'blob:'],
				'connect-src': ['self'],
				'font-src': ['self'],
				'worker-src': ['self'],
				'object-src': ['none'],
				'base-uri': ['none'],
				'form-action': ['self'],
				'frame-ancestors': ['none']
			}
		},
		typescript: {
			config: (config) => ({
				...config,
				include: [
					...config.include,
					'../scripts/**/*.ts',
					'../tests/**/*.ts',
					'../drizzle.config.ts',
					'../vite.config.ts',
					'../vite.theme.ts',
					'../vite.reckon.config.ts'
				]
			})
		}
	}
};
