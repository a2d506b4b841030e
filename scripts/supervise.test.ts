import { describe, expect, it, vi } from 'vitest';
import { supervise } from './supervise.mjs';

/** A part that ends when told to, as often as it is started. */
function part(name: string) {
	let end = () => {};
	let ended = new Promise<void>((done) => (end = done));
	let starts = 1;
	return {
		name,
		end: () => end(),
		starts: () => starts,
		ended: () => ended,
		again: () => {
			starts++;
			ended = new Promise<void>((done) => (end = done));
			return Promise.resolve();
		}
	};
}
/** However busy the machine is. */
const until = (starts: () => number, wanted: number) =>
	vi.waitFor(() => expect(starts()).toBe(wanted), 10_000);

describe('what ends by itself', () => {
	it('is started again three times, the others left alone, and then it says so', async () => {
		const [server, database] = [part('server'), part('database')];
		const said: string[] = [];
		const watching = supervise({
			parts: [server, database],
			finishing: () => false,
			say: (line) => said.push(line),
			now: () => 0,
			pauseMs: 0
		});
		const given = watching.catch((error: unknown) => (error as Error).message);
		for (let i = 1; i <= 3; i++) {
			server.end();
			await until(server.starts, i + 1);
			expect(database.starts()).toBe(1);
		}
		server.end();
		expect(await given).toMatch(/The server ended 4 times .* not started again/);
		expect(said).toHaveLength(3);
	});
	it('long after it was started is forgiven; an end that was wished for is none', async () => {
		const server = part('server');
		let now = 0;
		let finishing = false;
		const watching = supervise({
			parts: [server],
			finishing: () => finishing,
			say: () => {},
			now: () => now,
			pauseMs: 0
		});
		for (let i = 0; i < 6; i++) {
			now += 11 * 60_000;
			server.end();
			await until(server.starts, i + 2);
		}
		finishing = true;
		server.end();
		await watching;
	});
});
