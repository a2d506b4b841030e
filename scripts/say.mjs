/** A sentence for the person at the terminal, and the end of the program. */
export class Stop extends Error {}

export function stop(sentence) {
	throw new Stop(sentence);
}

/** What the machine refuses now and then, by its code, as a sentence. */
const REFUSALS = {
	EACCES: (path) => `Tevrik may not write to ${path}. Make the folder yours, or start Tevrik as its owner.`,
	EPERM: (path) => `Tevrik may not write to ${path}. Make the folder yours, or start Tevrik as its owner.`,
	EROFS: (path) => `${path} is on a disk that cannot be written to. Put the project elsewhere.`,
	ENOTDIR: (path) => `${path} cannot be made: a part of its path is a file, not a folder.`,
	ENOSPC: () => 'The disk is full. Make room and start again; what was saved is kept.'
};

/** Runs a program's main function; a Stop is one sentence and exit status 1, anything else keeps its trace. */
export async function main(run) {
	try {
		await run();
	} catch (error) {
		const refusal = REFUSALS[error?.code];
		if (error instanceof Stop) console.error(`\n${error.message}`);
		else if (refusal) console.error(`\n${refusal(error.path ?? 'its folder')}`);
		else console.error(error);
		process.exitCode = 1;
	}
}
