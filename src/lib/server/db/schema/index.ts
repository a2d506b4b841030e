export { person, membership, signInSession, invitation, siteHistory } from './people.ts';
export {
	authUser,
	authSession,
	authAccount,
	authVerification,
	authTwoFactor,
	authPasskey,
	personAccount,
	beginning,
	resetLink,
	failedTry
} from './account.ts';
export { place, placeReader, readerPin } from './place.ts';
export { visitorSheet } from './sheet.ts';
export { site, water, waterVolume, waterProfile, waterLights, target } from './site.ts';
export { methodVersion, siteMethod } from './method.ts';
export { shelfItem, shelfNote, kitCheck } from './shelf.ts';
export {
	sample,
	benchSession,
	sessionSheet,
	testRun,
	runItem,
	rawReading,
	result,
	slipAnswer,
	attachment,
	attachmentWithdrawal
} from './test.ts';
export { testSet } from './test-set.ts';
export { practiceNote, practiceTrial, readerUse, saidBefore } from './practice.ts';
export { purifiedNote } from './purified.ts';
export { event } from './event.ts';
export { commandReceipt } from './receipt.ts';
export {
	judgementSetting,
	ownProfile,
	calendarFeed,
	laboratorySample,
	laboratoryAnswer
} from './judgement.ts';
export { supplement, dailyLimit, correctionPlan, planNote } from './correction.ts';
export { revision, keptTrack } from './kept.ts';
