import { join } from 'node:path';
import { inject } from 'vitest';
import { copyOf } from '../support/engine.ts';

export const MIGRATIONS = join(import.meta.dirname, '../../drizzle');

/** An empty database of this file's own, with all tables. */
export const ownDatabase = () => copyOf(inject('engine'), join(inject('templates'), 'schema.sql'));
