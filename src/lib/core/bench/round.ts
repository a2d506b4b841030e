import type { ParameterId } from '../quantity/index.ts';

/** A method by which a parameter of a tank could be tested. */
export interface RoundMethod {
	readonly code: string;
	readonly name: string;
	readonly parameter: ParameterId;
	/** When it was last used on this tank; null: never. */
	readonly lastUsedAt: number | null;
}

export interface RoundTank {
	readonly id: string;
	readonly name: string;
	readonly siteId: string;
	readonly due: readonly ParameterId[];
	readonly methods: readonly RoundMethod[];
}

/** A kit that stands opened on some site's shelf. */
export interface RoundKit {
	readonly id: string;
	readonly name: string;
	readonly lotCode: string;
	readonly siteId: string;
	readonly site: string;
	readonly methodCode: string;
	/** Tests that it is good for at the most; null where nothing is known of what is left. */
	readonly testsLeft: number | null;
}

/** One test of a stop, with the kit that it is made by; null where no shelf has one. */
export interface RoundTest {
	readonly parameter: ParameterId;
	readonly method: string | null;
	readonly kit: RoundKit | null;
	/** The kit stands at the tank, and need not be brought. */
	readonly isThere: boolean;
}

export interface RoundStop {
	readonly id: string;
	readonly tests: readonly RoundTest[];
}

/** A kit that is carried along, or used where it stands. */
export interface RoundNeed {
	readonly kit: RoundKit;
	readonly tanks: readonly string[];
	/** Has to be taken from its shelf to a tank elsewhere. */
	readonly comesAlong: boolean;
	/** More tests are wanted than are left in it. */
	readonly isShort: boolean;
}

export interface Round {
	readonly stops: readonly RoundStop[];
	readonly needs: readonly RoundNeed[];
}

/**
 * Which kit makes a test: of the methods used on this tank, the one used last, so that its line goes on; of its kits the
 * one that stands there, else one from another shelf. A method without any kit comes after those that have one.
 */
function testOf(tank: RoundTank, parameter: ParameterId, kits: readonly RoundKit[]): RoundTest {
	const kitFor = (method: RoundMethod) => {
		const own = kits.filter((k) => k.methodCode === method.code);
		return own.find((k) => k.siteId === tank.siteId) ?? own[0] ?? null;
	};
	const [best] = tank.methods
		.filter((m) => m.parameter === parameter)
		.map((method) => ({ method, kit: kitFor(method) }))
		.sort(
			(a, b) =>
				Number(b.kit !== null) - Number(a.kit !== null) ||
				(b.method.lastUsedAt ?? 0) - (a.method.lastUsedAt ?? 0) ||
				Number(b.kit?.siteId === tank.siteId) - Number(a.kit?.siteId === tank.siteId)
		);
	const kit = best?.kit ?? null;
	return { parameter, method: best?.method.name ?? null, kit, isThere: kit?.siteId === tank.siteId };
}

/** A round of tanks: what is tested at each, by which kit, and what has to be carried along for that. */
export function planRound(tanks: readonly RoundTank[], kits: readonly RoundKit[]): Round {
	const stops = tanks.map((tank) => ({
		id: tank.id,
		tests: tank.due.map((parameter) => testOf(tank, parameter, kits))
	}));
	const used = kits.filter((kit) => stops.some((s) => s.tests.some((t) => t.kit?.id === kit.id)));
	const needs = used.map((kit): RoundNeed => {
		const at = stops.flatMap((s) => s.tests.filter((t) => t.kit?.id === kit.id).map(() => s.id));
		return {
			kit,
			tanks: [...new Set(at)],
			comesAlong: tanks.some((t) => at.includes(t.id) && t.siteId !== kit.siteId),
			isShort: kit.testsLeft !== null && at.length > kit.testsLeft
		};
	});
	return { stops, needs };
}
