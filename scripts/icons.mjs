// npm run icons   draws the icons of the installed application from one drawing
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { ROOT } from './bootstrap.mjs';
import { main } from './say.mjs';

const INK = '#1c1c1d';
const PAPER = '#f4f4f3';
const TURN = '#7f6bd6';

/** A barrel with its marks, and the drop that turns the colour. */
const drawing = `
<g fill="none" stroke="${PAPER}" stroke-width="1.7" stroke-linecap="square">
<path d="M10 4.5h8.5v12.8l-2.9 3.2h-2.7L10 17.3z"/><path d="M10 8h2.6M10 11h2.6M10 14h2.6" stroke-width="1.2"/>
</g>
<path d="M12.3 12.2h5.3v4.7l-2.4 2.5h-1.6l-1.3-1.4z" fill="${PAPER}" opacity=".45"/>
<path d="M20.8 18.4c2.3 3 3.4 4.8 3.4 6.2a3.4 3.4 0 0 1-6.8 0c0-1.4 1.1-3.2 3.4-6.2z" fill="${TURN}"/>`;

const svg = (inset, rounded) =>
	`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 32 32"><rect width="32" height="32" ${rounded ? 'rx="5" ' : ''}fill="${INK}"/><g transform="translate(${inset} ${inset}) scale(${(32 - 2 * inset) / 32})">${drawing.replaceAll('\n', '')}</g></svg>`;

await main(async () => {
	const to = (name) => join(ROOT, 'static', name);
	writeFileSync(to('icon.svg'), `${svg(0, true)}\n`);
	const png = (source, size, name) =>
		sharp(Buffer.from(source), { density: 72 * (size / 32) })
			.resize(size, size)
			.png({ compressionLevel: 9 })
			.toFile(to(name));
	await png(svg(0, true), 192, 'icon-192.png');
	await png(svg(0, true), 512, 'icon-512.png');
	// A phone cuts its own shape out of it: what matters stays within the middle four fifths.
	await png(svg(4.5, false), 512, 'icon-maskable-512.png');
});
