import { addDays, type Instant } from '../time/index.ts';
import { may, ROLES, type Role } from './roles.ts';

/** The most that anybody is on a device that stands in a room and is signed in for good: whoever comes by can take it. */
const MOST_AT_PLACE: Role = 'helper';

/** What a member is on the device of a place. Less than a helper stays what it is. */
export function roleAtPlace(role: Role): Role {
	return ROLES.indexOf(role) > ROLES.indexOf(MOST_AT_PLACE) ? role : MOST_AT_PLACE;
}

/** Whether a member can be chosen there as the one who reads. */
export function readsAtPlace(role: Role): boolean {
	return may(role, 'test');
}

/** After so long somebody else stands there: who reads is asked again. */
const READER_HOURS = 4;

/** From when on a choice of who reads still holds at a time. */
export function chosenSince(at: Instant): Instant {
	return addDays(at, -READER_HOURS / 24);
}
