/** One row of the picture: its words and its canvas as it stands on the screen. */
export interface PictureRow {
	readonly title: string;
	readonly words: string;
	readonly canvas: HTMLCanvasElement;
}

const MARGIN = 32;
const TITLE_PX = 44;
const LINE_PX = 22;

/** Draws the rows below each other with their words, as a picture to keep or to send. */
export async function pictureOf(title: string, rows: readonly PictureRow[]): Promise<Blob> {
	const [first] = rows;
	if (!first) throw new RangeError('there is nothing to draw');
	const style = getComputedStyle(document.body);
	const paper = style.getPropertyValue('--surface').trim();
	const ink = style.getPropertyValue('--ink').trim();
	const muted = style.getPropertyValue('--muted').trim();
	const ratio = window.devicePixelRatio || 1;
	const width = Math.max(...rows.map((r) => r.canvas.clientWidth));
	const height = rows.reduce((sum, r) => sum + r.canvas.clientHeight + 2 * LINE_PX, TITLE_PX + 2 * MARGIN);
	const sheet = document.createElement('canvas');
	sheet.width = (width + 2 * MARGIN) * ratio;
	sheet.height = height * ratio;
	const ctx = sheet.getContext('2d');
	if (!ctx) throw new Error('this browser draws no pictures');
	ctx.scale(ratio, ratio);
	ctx.fillStyle = paper;
	ctx.fillRect(0, 0, width + 2 * MARGIN, height);
	const write = (text: string, x: number, y: number, size: number, weight: number, colour: string) => {
		ctx.font = `${weight} ${size}px ${style.fontFamily}`;
		ctx.fillStyle = colour;
		ctx.fillText(text, x, y, width - x + MARGIN);
	};
	write(title, MARGIN, MARGIN + 18, 20, 700, ink);
	let y = MARGIN + TITLE_PX;
	for (const row of rows) {
		write(row.title, MARGIN, y + 15, 16, 700, ink);
		write(row.words, MARGIN + 190, y + 15, 14, 400, muted);
		y += LINE_PX;
		ctx.drawImage(row.canvas, MARGIN, y, row.canvas.clientWidth, row.canvas.clientHeight);
		y += row.canvas.clientHeight + LINE_PX;
	}
	return new Promise((done, failed) => {
		sheet.toBlob(
			(blob) => (blob ? done(blob) : failed(new Error('the picture could not be made'))),
			'image/png'
		);
	});
}
