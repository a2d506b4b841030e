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
