import type { Plugin } from 'vite';

const THEME_FILE = /flowbite-svelte\/dist\/.*theme\.js$/;
const ICON_HELPERS = /flowbite-svelte-icons\/dist\/helpers\.js$/;
const BUTTON_FILE = /flowbite-svelte\/dist\/buttons\/Button\.svelte$/;

/**
 * Gives the components of the interface library our own theme instead of theirs: each of its theme files names what it
 * exports, and every one of these is answered by `src/lib/ui/kit/theme.ts`.
 */
export function ownTheme(): Plugin {
	return {
		name: 'tevrik-theme',
		enforce: 'pre',
		transform(code, id) {
			const [file = ''] = id.split('?');
			if (THEME_FILE.test(file)) {
				const together =
					/^export \{([^}]*)\}/m
						.exec(code)?.[1]
						?.split(',')
						.map((name) => name.trim()) ?? [];
				const names = [...[...code.matchAll(/^export const (\w+)/gm)].map((m) => m[1]!), ...together];
				const made = names.map((name) => `export const ${name} = /*#__PURE__*/ themeOf('${name}');`);
				return { code: [`import { themeOf } from '$lib/ui/kit/theme';`, ...made].join('\n'), map: null };
			}
			// An icon is as large as it is told to be: no classes need to be weighed against each other.
			if (ICON_HELPERS.test(file)) {
				const own = "export const cn = (base, _size, own) => [base, own].filter(Boolean).join(' ');";
				return { code: own, map: null };
			}
			// Its spinner comes through the door that leads to all of the library's components.
			if (BUTTON_FILE.test(file) && id === file) {
				const own = code.replace(
					'import { Spinner } from "..";',
					'import Spinner from "../spinner/Spinner.svelte";'
				);
				return { code: own, map: null };
			}
			return undefined;
		}
	};
}
