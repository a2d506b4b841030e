/** What the product takes on the safe side where no law of nature says how much, each with its reason and source. */
export {
	CONVENTIONS,
	DAILY_LIMITS,
	LIMITED,
	type Convention,
	type ConventionId,
	type Limited
} from './conventions.ts';
