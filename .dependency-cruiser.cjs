/** The layers, from the ground up; see docs/decisions/layers.md. */
const coreOrder = [
	'result',
	'numeric',
	'time',
	'access',
	'caution',
	'seawater/density',
	'quantity',
	'uncertainty',
	'seawater',
	'balance',
	'purified',
	'colour',
	'method',
	'reading',
	'comparison',
	'trend',
	'plausibility',
	'judgement',
	'record',
	'correction',
	'bench',
	'judgement/water',
	'judgement/plan',
	'practice',
	'tank',
	'standard',
	'shelf',
	'interchange'
];

/** A layer without the layers that lie in its folder. */
const layer = (folder) => {
	const within = coreOrder.filter((other) => other.startsWith(`${folder}/`));
	const but = within.map((other) => other.slice(folder.length + 1)).join('|');
	return `${folder}/${but ? `(?!(?:${but})/)` : ''}`;
};

/** A layer is reached through its face alone. */
const FACES = `^src/lib/core/(?:[^/]+|${coreOrder.filter((folder) => folder.includes('/')).join('|')})/index\\.ts$`;

const upwards = coreOrder.slice(0, -1).map((folder, i) => ({
	name: `core-${folder.replace('/', '-')}-imports-downwards-only`,
	comment: 'Each folder of the core may import only those above it in the list of docs/decisions/layers.md.',
	severity: 'error',
	// A test may check a folder against the simulated tank above it.
	from: { path: `^src/lib/core/${layer(folder)}`, pathNot: '\\.test\\.ts$' },
	to: {
		path: `^src/lib/core/(${coreOrder
			.slice(i + 1)
			.map(layer)
			.join('|')})`
	}
}));

module.exports = {
	forbidden: [
		...upwards,
		{ name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
		{
			name: 'no-unresolvable',
			severity: 'error',
			from: { pathNot: '\\.test\\.ts$' },
			to: { couldNotResolve: true, pathNot: '^\\$(app|env|service-worker)|^\\./\\$types' }
		},
		{
			// A new folder of the core takes its place among the layers before anything is built on it.
			name: 'core-has-no-unknown-layer',
			severity: 'error',
			from: {},
			to: { path: '^src/lib/core/', pathNot: `^src/lib/core/(${coreOrder.join('|')})/` }
		},
		{
			name: 'core-imports-core-only',
			severity: 'error',
			from: { path: '^src/lib/core/', pathNot: '\\.test\\.ts$' },
			// The second is the list of pure packages that the core may stand on.
			to: { pathNot: ['^src/lib/core/', '^node_modules/(@types/)?(culori|yalps|temporal-polyfill)/'] }
		},
		{
			name: 'core-through-its-face',
			severity: 'error',
			from: { path: '^src/lib/core/([^/]+)/' },
			to: { path: '^src/lib/core/', pathNot: ['^src/lib/core/$1/', FACES] }
		},
		{
			name: 'core-through-its-face-from-outside',
			severity: 'error',
			from: { path: '^(src|scripts|tests)/', pathNot: '^src/lib/core/' },
			to: { path: '^src/lib/core/', pathNot: FACES }
		},
		{
			// A layer within a folder sees of that folder what everybody sees.
			name: 'core-layer-within-a-folder-uses-its-face',
			severity: 'error',
			from: { path: '^src/lib/core/judgement/water/' },
			to: { path: '^src/lib/core/judgement/(?!water/)', pathNot: '^src/lib/core/judgement/index\\.ts$' }
		},
		{
			name: 'browser-side-never-imports-server',
			severity: 'error',
			// Whatever a page is made of, by its place or by its kind; only what runs on the server may know the server.
			from: { path: ['^src/lib/(?!server/)[^/]+/', '^src/.*\\.svelte(\\.ts)?$'] },
			to: { path: '^src/lib/server/' }
		},
		{
			name: 'routes-never-reach-the-database',
			severity: 'error',
			from: { path: '^src/routes/' },
			to: { path: '^src/lib/server/(db|repository)/' }
		},
		{
			name: 'db-and-repository-never-import-service',
			severity: 'error',
			from: { path: '^src/lib/server/(db|repository)/' },
			to: { path: '^src/lib/server/(service|reckon|validation|account)/' }
		},
		{
			// What is asked for goes through services.ts, which hands each use case what it stands on.
			name: 'routes-call-no-use-case-themselves',
			severity: 'error',
			from: { path: '^src/routes/' },
			to: { path: '^src/lib/server/(service|reckon)/', dependencyTypesNot: ['type-only'] }
		},
		{
			name: 'use-cases-decode-no-forms',
			severity: 'error',
			from: { path: '^src/lib/server/service/', pathNot: '\\.test\\.ts$' },
			to: { path: '^src/lib/server/validation/' }
		},
		{
			name: 'sql-only-in-db-and-repository',
			severity: 'error',
			from: { path: '^src/', pathNot: '^src/lib/server/(db|repository)/' },
			to: { path: 'node_modules/(drizzle-orm|mysql2)/' }
		},
		{
			name: 'ui-areas-do-not-import-each-other',
			severity: 'error',
			// Every folder is an area but those that are there for all.
			from: { path: '^src/lib/ui/([^/]+)/', pathNot: '^src/lib/ui/(shared|access|instrument|kit)/' },
			to: { path: '^src/lib/ui/[^/]+/', pathNot: '^src/lib/ui/($1|shared|access|instrument|kit)/' }
		},
		{
			name: 'kit-only-at-the-edges',
			severity: 'error',
			from: { path: '^src/lib/(core|contract|server|format|workers|demo)/' },
			to: { path: 'node_modules/@sveltejs/kit/|^\\$(app|env)' }
		},
		{
			name: 'nothing-imports-scripts',
			severity: 'error',
			// Tests stand beside what they test, and may use what all tests use.
			from: { path: '^src/', pathNot: '\\.test\\.ts$' },
			to: { path: '^(scripts|tests)/' }
		}
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		tsPreCompilationDeps: true,
		tsConfig: { fileName: 'tsconfig.depcruise.json' },
		exclude: { path: '(^|/)(\\.svelte-kit|build|\\.test)/' },
		enhancedResolveOptions: {
			exportsFields: ['exports'],
			conditionNames: ['import', 'svelte', 'node', 'default', 'types'],
			extensions: ['.ts', '.js', '.mjs', '.svelte', '.json']
		}
	}
};
