import { LONGEST_NAME, LONGEST_PASSWORD, SHORTEST_PASSWORD } from './lengths.ts';
import { Type, type Static } from '@sinclair/typebox';
import { closed } from './common.ts';

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
