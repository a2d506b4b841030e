/** Who may do what at a site. */
export {
	granted,
	may,
	PERMISSIONS,
	ROLES,
	type Granted,
	type GrantedSomething,
	type Permission,
	type Role
} from './roles.ts';
export { pausedUntil, afterFailure, forgottenBefore, type FailedTries } from './pause.ts';
export { keepsOwner, standing, type InvitationState, type MemberState } from './invitation.ts';
export { chosenSince, readsAtPlace, roleAtPlace } from './place.ts';
