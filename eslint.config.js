// What can be told without knowing types; what needs them is asked of .oxlintrc.json, many times faster.
import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

const noClock = [
	{
		selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
		message: 'The core takes its chance as a parameter: use the seeded random of numeric/.'
	},
	{
		selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
		message: 'Time is a parameter: use the injected clock.'
	},
	{
		selector: "NewExpression[callee.name='Date'][arguments.length=0]",
		message: 'Time is a parameter: use the injected clock.'
	}
];

/** One who holds a connection and asks the pool for another can wait for ever. */
const noPoolWithin = [
	{
		selector:
			"CallExpression[callee.name=/^(once|transact|inTransaction)$/] > :function Identifier[name='deps']",
		message: 'Inside a transaction there is only what was handed in: use tx and within.'
	}
];

/** Parts are made once, in the kit; instruments draw their own. */
const noRawParts = [
	{
		selector: 'SvelteElement[name.name=/^(button|input|select|textarea|table|dialog)$/]',
		message: 'Use the part of ui/kit: what it looks like and how it behaves is decided there.'
	},
	{
		selector:
			"SvelteElement[name.name='svelte:element'] Literal[value=/^(button|input|select|textarea|table|dialog)$/]",
		message: 'Use the part of ui/kit, also where the element is chosen while it runs.'
	}
];

/** What of svelte.config.js the linter needs; functions its memory cannot hold. */
const plainConfig = { compilerOptions: { runes: true } };

export default ts.config(
	{
		ignores: [
			'build/',
			'.svelte-kit/',
			'node_modules/',
			'.tevrik/',
			'.test/',
			'drizzle/',
			'coverage/',
			'src/service-worker.ts'
		]
	},
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	prettier,
	...svelte.configs.prettier,
	{
		languageOptions: {
			globals: { ...globals.browser, ...globals.node }
		},
		rules: {
			'no-undef': 'off',
			'@typescript-eslint/consistent-type-imports': 'error',
			'@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
			'svelte/no-navigation-without-resolve': 'off'
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: { parserOptions: { parser: ts.parser, svelteConfig: plainConfig } }
	},
	{
		files: ['src/lib/core/**/*.ts'],
		rules: {
			'no-restricted-syntax': ['error', ...noClock],
			'no-restricted-imports': [
				'error',
				{ patterns: [{ group: ['$lib/*', '$app/*', '$env/*'], message: 'The core imports the core only.' }] }
			]
		}
	},
	{
		files: ['src/lib/{server,ui,format,contract,demo,workers,device}/**/*.{ts,svelte}', 'src/routes/**/*'],
		ignores: ['**/*.test.ts'],
		rules: { 'no-restricted-syntax': ['error', ...noClock, ...noPoolWithin] }
	},
	{
		files: ['src/lib/ui/**/*.svelte', 'src/routes/**/*.svelte'],
		ignores: ['src/lib/ui/kit/**', 'src/lib/ui/instrument/**'],
		rules: { 'no-restricted-syntax': ['error', ...noClock, ...noPoolWithin, ...noRawParts] }
	},
	{
		// What a component imports as a type alone is gone before the import rules look.
		files: [
			'src/**/*.svelte',
			'src/**/*.svelte.ts',
			'src/lib/{ui,client,contract,workers,format,device,demo}/**/*.ts'
		],
		rules: {
			'no-restricted-imports': [
				'error',
				{
					patterns: [
						{
							group: ['$lib/server', '$lib/server/*', '**/lib/server/**', '../server/**', '**/../server/**'],
							message:
								'The browser’s side never imports the server, not even its types: put what both know into contract/.'
						}
					]
				}
			]
		}
	}
);
