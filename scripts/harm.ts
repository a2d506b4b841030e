// npm run harm   writes the table of situations and conventions into docs/safety.md, from the functions themselves
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { withTables } from '../tests/harm/table.ts';

const file = join(import.meta.dirname, '../docs/safety.md');
writeFileSync(file, withTables(readFileSync(file, 'utf8')));
console.log('docs/safety.md is written.');
