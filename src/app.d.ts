import type { Preferences } from '$lib/contract/preferences';
import type { FaultCode } from '$lib/core/result';
import type { SetCookie } from '$lib/server/account/cookies';
import type { AccountDoor } from '$lib/server/account/door';
import type { ClockSetting } from '$lib/server/clock';
import type { Person } from '$lib/server/repository/people';
import type { OpenWater } from '$lib/server/service/water/open-water';
import type { Services } from '$lib/server/services';

declare global {
	namespace App {
		interface Error {
			message: string;
			/** Stable code of the fault, or the id under which the log has the details. */
			code: FaultCode | 'not-found' | 'unexpected' | 'database-away' | (string & {});
		}
		interface Locals {
			services: Services;
			person: Person | null;
			/** How it is known who that is. */
			signedInBy: 'account' | 'place' | 'demo' | null;
			/** Null where nobody can have an account. */
			accounts: AccountDoor | null;
			/** Whoever comes without an account is the demo's keeper. */
			isDemo: boolean;
			/** Hands the cookies of an account to the browser. */
			setCookies: (cookies: readonly SetCookie[]) => void;
			clockSetting: ClockSetting | null;
			preferences: Preferences;
			/** What failed passes by itself: the records are away or busy. */
			passing?: true;
			/** Looked up once per request, by the first that needs it. */
			openWater: (waterId: string) => Promise<OpenWater | null>;
		}
	}
}
export {};
