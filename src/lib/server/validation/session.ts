import { SaveSession } from '$lib/contract/session';
import type { Result } from '$lib/core/result';
import { validate } from './validator.ts';

export const checkSession = (body: unknown): Result<SaveSession> => validate(SaveSession, body);
