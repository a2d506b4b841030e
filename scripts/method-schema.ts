// Writes the published JSON Schema of a method file from the one that is checked.
import { writeFileSync } from 'node:fs';
import { methodFileSchema } from '../src/lib/contract/method.ts';

const file = new URL('../docs/method-file.schema.json', import.meta.url);
writeFileSync(file, `${JSON.stringify(methodFileSchema(), null, '\t')}\n`);
