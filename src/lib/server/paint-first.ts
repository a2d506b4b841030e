/** A file that the framework would have the browser ask for ahead. */
interface Ahead {
	readonly type: 'font' | 'css' | 'js' | 'asset';
	readonly path: string;
}

/** The framework's own call for the programs of a page, as it writes it. */
const STARTS =
	/Promise\.all\(\[(\s*import\("[^"]+"\),\s*import\("[^"]+"\)\s*)\]\)(?=\.then\(\(\[kit, app\]\))/;
/** So many are asked for before hands and picture have their turn again. */
const AT_ONCE = 3;
/** Nor is a picture waited for any longer. */
const LONGEST_MS = 400;
/** Its letters are on no page in English; it comes where one needs it. */
const RARE_FONT = 'latin-ext';

/**
 * A page is read before it is worked with: its programs are asked for once it has been painted, so that on a slow line
 * they take nothing of what the first look needs. Where the framework writes its call in another way, the page is left
 * as it is: the programs then come a little later still, one after another.
 */
export function paintFirst(): {
	readonly preload: (file: Ahead) => boolean;
	/** The page as it goes out. */
	readonly written: (html: string) => string;
} {
	const programs: string[] = [];
	return {
		preload: ({ type, path }) => {
			if (type === 'js') programs.push(path);
			return type === 'css' || (type === 'font' && !path.includes(RARE_FONT));
		},
		written: (html) =>
			html.replace(STARTS, (_call, imports: string) => {
				const asked = JSON.stringify(programs).replaceAll('<', '\\u003c');
				return `(async () => {
						const turn = () => new Promise((done) => setTimeout(done));
						// What nobody looks at may never be painted.
						await new Promise((done) => (requestAnimationFrame(done), setTimeout(done, ${LONGEST_MS})));
						const programs = ${asked};
						while (programs.length > 0) {
							await turn();
							const links = programs.splice(0, ${AT_ONCE});
							document.head.append(
								...links.map((href) => Object.assign(document.createElement('link'), { rel: 'modulepreload', href }))
							);
						}
						await turn();
						return Promise.all([${imports}]);
					})()`;
			})
	};
}
