import {
	USUAL_SETTINGS,
	type SaveProfile,
	type SaveSettings,
	type TakeProfile
} from '$lib/contract/judgement';
import { bandsIn, PROFILES, stageOf, type Band } from '$lib/core/judgement';
import type { JudgementSettings } from '$lib/core/judgement/water';
import type { ParameterId } from '$lib/core/quantity';
import { fail, ok, type Result } from '$lib/core/result';
import { instant, type Instant } from '$lib/core/time';
import type { Reader } from '../../repository/database.ts';
import {
	addOwnProfile,
	addSettings,
	addWaterProfile,
	ownProfiles,
	settingsOf,
	type OwnProfile
} from '../../repository/judgement.ts';
import type { ScopeFor, SiteScope } from '../../repository/scope.ts';
import { addTarget, targetsOf, waterAt } from '../../repository/water.ts';
import type { Deps, PooledDeps } from '../deps.ts';
import { once } from '../once.ts';
import { bandFault } from '../water/set-target.ts';

/** How a water is judged and tested, as its keeper set it or as is usual. */
export async function judgementSettings(
	db: Reader,
	scope: SiteScope,
	waterId: string
): Promise<JudgementSettings> {
	return (await settingsOf(db, scope, waterId)) ?? USUAL_SETTINGS;
}

export async function saveSettings(
	deps: PooledDeps,
	scope: ScopeFor<'decide'>,
	command: SaveSettings
): Promise<Result<{ readonly settingsId: string }>> {
	return once(deps, scope, 'save-judgement', command, async (tx, within) => {
		within.touch({ waterId: command.waterId });
		const now = within.clock.now();
		if (!(await waterAt(tx, scope, command.waterId, now))) return fail('unknown-item', 'waterId');
		await addSettings(tx, scope, { ...command, receivedAt: now });
		return ok({ settingsId: command.id });
	});
}

/** Keeps bands under a name of the keeper's own; a name that is there gets new bands. */
export async function saveProfile(
	deps: PooledDeps,
	scope: ScopeFor<'decide'>,
	command: SaveProfile
): Promise<Result<{ readonly profileId: string }>> {
	return once(deps, scope, 'save-profile', command, async (tx, within) => {
		for (const { parameter, ...band } of command.bands) {
			const fault = bandFault(parameter, band);
			if (fault) return fail(fault.code, `${parameter}.${fault.field}`, fault.details);
		}
		const { id, source, bands } = command;
		const name = command.name.trim();
		await addOwnProfile(tx, scope, { id, name, source, bands, receivedAt: within.clock.now() });
		return ok({ profileId: id });
	});
}

export async function readProfiles(deps: Deps, scope: SiteScope): Promise<readonly OwnProfile[]> {
	return ownProfiles(deps.db, scope);
}

/** The bands that a profile gives a water now, and what is said of where they come from. */
async function bandsOfProfile(
	tx: Reader,
	scope: SiteScope,
	{ profile }: Pick<TakeProfile, 'profile'>,
	startedAt: Parameters<typeof stageOf>[0]['startedAt'],
	now: Parameters<typeof stageOf>[0]['now']
): Promise<{ readonly source: string; readonly bands: readonly [ParameterId, Band][] } | null> {
	if (profile.kind === 'shipped') {
		const { name, source } = PROFILES[profile.id];
		const stage = stageOf({ profile: profile.id, startedAt, now, lastReadAt: now });
		const bands = Object.entries(bandsIn(profile.id, stage)) as [ParameterId, Band][];
		const young = stage === 'young' ? ', in its first year' : '';
		return { source: `${source}: ${name.toLowerCase()}${young}`, bands };
	}
	const own = (await ownProfiles(tx, scope)).find((p) => p.id === profile.id);
	return own
		? {
				source: `${own.name}: ${own.source}`.slice(0, 200),
				bands: own.bands.map(({ parameter, ...band }) => [parameter, band])
			}
		: null;
}

/** Gives a water the bands of a profile from a time on, and of a shipped one its kind; null where there is no such one. */
export async function giveProfile(
	tx: Reader,
	scope: SiteScope,
	{
		water,
		command,
		now,
		newId
	}: {
		readonly water: { readonly id: string; readonly startedAt: Instant };
		readonly command: Pick<TakeProfile, 'profile'> & { readonly fromAt: Instant };
		readonly now: Instant;
		readonly newId: () => string;
	}
): Promise<number | null> {
	const taken = await bandsOfProfile(tx, scope, command, water.startedAt, now);
	if (!taken) return null;
	const row = { waterId: water.id, fromAt: command.fromAt, receivedAt: now };
	if (command.profile.kind === 'shipped') {
		await addWaterProfile(tx, scope, { ...row, id: newId(), profile: command.profile.id });
	}
	const set = async (parameter: ParameterId, band: Band, source: string) =>
		addTarget(tx, scope, { ...row, id: newId(), parameter, ...band, source });
	for (const [parameter, band] of taken.bands) await set(parameter, band, taken.source);
	if (command.profile.kind === 'shipped') {
		const judged = new Set(taken.bands.map(([p]) => p));
		const before = new Set((await targetsOf(tx, scope, water.id)).map((t) => t.parameter));
		const none = { low: null, high: null, aim: null };
		for (const parameter of before) {
			if (!judged.has(parameter)) await set(parameter, none, taken.source);
		}
	}
	return taken.bands.length;
}

/**
 * A water takes a profile from a time on: its bands at once and, of a shipped one, its kind and stage. Parameters that a
 * shipped profile does not judge lose their band; one of the keeper's own leaves them as they were.
 */
export async function takeProfile(
	deps: PooledDeps,
	scope: ScopeFor<'decide'>,
	command: TakeProfile
): Promise<Result<{ readonly parameters: number }>> {
	return once(deps, scope, 'take-profile', command, async (tx, within) => {
		within.touch({ waterId: command.waterId });
		const now = within.clock.now();
		const water = await waterAt(tx, scope, command.waterId, now);
		if (!water) return fail('unknown-item', 'waterId');
		const { profile } = command;
		const given = { water, command: { profile, fromAt: instant(command.fromAt) }, now, newId: within.newId };
		const parameters = await giveProfile(tx, scope, given);
		return parameters === null ? fail('unknown-item', 'profile') : ok({ parameters });
	});
}
