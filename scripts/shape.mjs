// npm run -s shape [-- FOLDER]   how the code lies: files per folder, the longest files and functions, those with the
// most arguments and branches. A function of the core beyond the limits below says in its comment why.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import ts from 'typescript';
import { ROOT } from './bootstrap.mjs';

const MOST = 12;

/** Files of ours below a folder, tests apart from what they test. */
function filesBelow(folder) {
	return execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', folder], {
		cwd: ROOT,
		encoding: 'utf8'
	})
		.split('\n')
		.filter((f) => /\.(ts|svelte|mjs|cjs|css)$/.test(f));
}

const linesOf = (text) => text.split('\n').filter((line) => line.trim() !== '').length;

const BRANCHES = new Set([
	ts.SyntaxKind.IfStatement,
	ts.SyntaxKind.ConditionalExpression,
	ts.SyntaxKind.ForStatement,
	ts.SyntaxKind.ForInStatement,
	ts.SyntaxKind.ForOfStatement,
	ts.SyntaxKind.WhileStatement,
	ts.SyntaxKind.DoStatement,
	ts.SyntaxKind.CaseClause,
	ts.SyntaxKind.CatchClause
]);
const SHORT_CUTS = new Set([
	ts.SyntaxKind.AmpersandAmpersandToken,
	ts.SyntaxKind.BarBarToken,
	ts.SyntaxKind.QuestionQuestionToken
]);

const isFunction = (node) =>
	ts.isFunctionDeclaration(node) ||
	ts.isMethodDeclaration(node) ||
	ts.isConstructorDeclaration(node) ||
	ts.isFunctionExpression(node) ||
	ts.isArrowFunction(node);

/** One more than the places where a function goes one way or another; those of functions inside it are their own. */
function complexityOf(body) {
	let found = 1;
	const walk = (node) => {
		if (BRANCHES.has(node.kind)) found++;
		if (ts.isBinaryExpression(node) && SHORT_CUTS.has(node.operatorToken.kind)) found++;
		if (!isFunction(node)) ts.forEachChild(node, walk);
	};
	ts.forEachChild(body, walk);
	return found;
}

function nameOf(node) {
	if (ts.isConstructorDeclaration(node)) return 'constructor';
	if (node.name) return node.name.getText();
	const { parent } = node;
	return parent && (ts.isVariableDeclaration(parent) || ts.isPropertyAssignment(parent))
		? parent.name.getText()
		: '(no name)';
}

/**
 * Every function with a body: where it stands, how many lines with something in them it has, how many arguments, and how
 * many ways through it there are.
 */
export function functionsIn(file, text) {
	const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
	const found = [];
	const walk = (node) => {
		if (isFunction(node) && node.body) {
			found.push({
				file,
				name: nameOf(node),
				line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
				lines: linesOf(node.getText()),
				arguments: node.parameters.length,
				ways: complexityOf(node.body)
			});
		}
		ts.forEachChild(node, walk);
	};
	walk(source);
	return found;
}

export function shapeOf(folder = 'src') {
	const files = filesBelow(folder).map((file) => ({ file, text: readFileSync(join(ROOT, file), 'utf8') }));
	const own = files.filter(({ file }) => !/\.test\.ts$/.test(file));
	const folders = new Map();
	for (const { file } of own) folders.set(dirname(file), (folders.get(dirname(file)) ?? 0) + 1);
	return {
		folders: [...folders].map(([name, count]) => ({ name, count })),
		files: own.map(({ file, text }) => ({ file, lines: linesOf(text) })),
		functions: own
			.filter(({ file }) => /\.(ts|mjs|cjs)$/.test(file))
			.flatMap(({ file, text }) => functionsIn(file, text))
	};
}

function most(list, by, print) {
	for (const one of [...list].sort((a, b) => b[by] - a[by]).slice(0, MOST))
		console.log(`${String(one[by]).padStart(6)}  ${print(one)}`);
}

if (import.meta.url === `file://${process.argv[1]}`) {
	const folder = process.argv[2] ?? 'src';
	const { folders, files, functions } = shapeOf(folder);
	const sizes = files.map((f) => f.lines).sort((a, b) => a - b);
	const placed = (f) => `${f.name}  ${f.file}:${f.line}`;
	console.log(
		`${files.length} files in ${folders.length} folders below ${folder}, ${functions.length} functions;`,
		`half of the files have at most ${sizes[Math.floor(sizes.length / 2)] ?? 0} lines`
	);
	console.log('\nFiles in a folder');
	most(folders, 'count', (f) => f.name);
	console.log('\nLines in a file');
	most(files, 'lines', (f) => f.file);
	console.log('\nLines in a function');
	most(functions, 'lines', placed);
	console.log('\nArguments of a function');
	most(functions, 'arguments', placed);
	console.log('\nWays through a function');
	most(functions, 'ways', placed);
}
