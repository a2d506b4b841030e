import { KeepBottle } from '$lib/contract/event';
import { SaveSession } from '$lib/contract/session';
import { CheckBox } from '$lib/contract/shelf';
import type { Result } from '$lib/core/result';
import { validate } from './validator.ts';

export const checkSession = (body: unknown): Result<SaveSession> => validate(SaveSession, body);
export const checkBoxCheck = (body: unknown): Result<CheckBox> => validate(CheckBox, body);
export const checkBottle = (body: unknown): Result<KeepBottle> => validate(KeepBottle, body);
