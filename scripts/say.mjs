/** A sentence for the person at the terminal, and the end of the program. */
export class Stop extends Error {}

export function stop(sentence) {
	throw new Stop(sentence);
}

/** Runs a program's main function; a Stop is one sentence and exit status 1, anything else keeps its trace. */
export async function main(run) {
	try {
		await run();
	} catch (error) {
		if (error instanceof Stop) console.error(`\n${error.message}`);
		else console.error(error);
		process.exitCode = 1;
	}
}
