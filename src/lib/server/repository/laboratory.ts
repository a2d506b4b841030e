import { and, desc, eq, isNull } from 'drizzle-orm';
import type { ParameterId } from '$lib/core/quantity';
import type { Instant } from '$lib/core/time';
import { laboratoryAnswer, laboratorySample } from '../db/schema/index.ts';
import type { Reader } from './database.ts';
import type { SiteScope } from './scope.ts';

export interface SentBottle {
	readonly id: string;
	readonly waterId: string;
	readonly parameters: readonly ParameterId[];
	readonly drawnAt: Instant;
	readonly offsetMinutes: number;
	readonly note: string;
	readonly sentAt: Instant;
	readonly answeredAt: Instant | null;
}

const columns = {
	id: laboratorySample.id,
	waterId: laboratorySample.waterId,
	parameters: laboratorySample.parameters,
	drawnAt: laboratorySample.drawnAt,
	offsetMinutes: laboratorySample.offsetMinutes,
	note: laboratorySample.note,
	sentAt: laboratorySample.sentAt,
	answeredAt: laboratoryAnswer.answeredAt
};

function sent(db: Reader) {
	return db
		.select(columns)
		.from(laboratorySample)
		.leftJoin(
			laboratoryAnswer,
			and(
				eq(laboratoryAnswer.siteId, laboratorySample.siteId),
				eq(laboratoryAnswer.sampleId, laboratorySample.id)
			)
		);
}

/** Bottles of a water that were sent, newest first. */
export async function sentBottles(db: Reader, scope: SiteScope, waterId: string): Promise<SentBottle[]> {
	return sent(db)
		.where(and(eq(laboratorySample.siteId, scope.siteId), eq(laboratorySample.waterId, waterId)))
		.orderBy(desc(laboratorySample.sentAt));
}

/** Bottles of a site that wait for their answer. */
export async function waitingBottles(db: Reader, scope: SiteScope): Promise<SentBottle[]> {
	return sent(db)
		.where(and(eq(laboratorySample.siteId, scope.siteId), isNull(laboratoryAnswer.answeredAt)))
		.orderBy(laboratorySample.sentAt);
}

export async function addSentBottle(
	db: Reader,
	scope: SiteScope,
	row: Omit<SentBottle, 'answeredAt'>
): Promise<void> {
	await db.insert(laboratorySample).values({ ...row, siteId: scope.siteId, sentBy: scope.membershipId });
}

/** Notes that a bottle was answered; a second answer to one is refused by the database. */
export async function addAnswer(
	db: Reader,
	scope: SiteScope,
	row: { sampleId: string; answeredAt: Instant }
): Promise<void> {
	await db.insert(laboratoryAnswer).values({ ...row, siteId: scope.siteId });
}
