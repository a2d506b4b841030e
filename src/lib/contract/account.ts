import { Type, type Static } from '@sinclair/typebox';
import { closed } from './common.ts';

/** Length is what makes a password hard to guess (NIST SP 800-63B); no kinds of letters are asked for. */
export const SHORTEST_PASSWORD = 10;
export const LONGEST_PASSWORD = 128;
export const LONGEST_NAME = 80;

const Name = Type.String({ minLength: 1, maxLength: LONGEST_NAME, pattern: '^[^@\\p{Cc}]*$' });

export const Password = Type.String({ minLength: SHORTEST_PASSWORD, maxLength: LONGEST_PASSWORD });

/** Who somebody is; an address only where one was given. */
export const BeginAccount = Type.Object(
	{
		displayName: Name,
		email: Type.Union([
			Type.String({ maxLength: 254, pattern: '^[^\\s@]+@[^\\s@]+\\.[^\\s@.]+$' }),
			Type.Null()
		]),
		password: Password
	},
	closed
);
export type BeginAccount = Static<typeof BeginAccount>;
