import { checkMethod, SHIPPED_METHODS, type Method } from '$lib/core/method';
import type { ParameterId } from '$lib/core/quantity';
import type { Fault } from '$lib/core/result';
import { faultAt, faultText } from '$lib/format/faults/faults';
import { methodOfText } from './draft/method-of-text';
import { emptyMethod, isEnteredKind, type MethodText, type TitrationText } from './draft/method-text';
import { textOfMethod } from './draft/text-of-method';

/** How most kits for a parameter are read; whoever has another picks it. */
const kindFor = (parameter: ParameterId) => {
	const shipped = SHIPPED_METHODS.find((m) => m.parameter === parameter && isEnteredKind(m.kind));
	return shipped && isEnteredKind(shipped.kind) ? shipped.kind : 'display';
};

/** One of the titrations of a draft, as its fields see it. */
export interface TitrationPart {
	/** Before the names of its fields. */
	readonly path: '' | 'second.';
	readonly text: TitrationText;
	readonly set: (change: Partial<TitrationText>) => void;
	readonly faultOf: (field: keyof TitrationText) => string | undefined;
}

const isOwn = (field: string, text: MethodText) =>
	field.startsWith('second.') ? field.slice(7) in text.second : field in text;

/** A method while it is typed: its text, and what is wrong with it. */
export class MethodDraft {
	/** The method that is duplicated or revised; null for a new one. */
	readonly from: Method | null;
	text = $state.raw<MethodText>(emptyMethod('syringe-titration', 'calcium'));
	/** Why it was not taken; the field is empty where no field is to blame. */
	refused = $state.raw<{ readonly field: string; readonly text: string } | null>(null);

	/** @param parameter what a new one measures */
	constructor(from: Method | null, name: (old: string) => string, parameter: ParameterId) {
		this.from = from;
		this.text = emptyMethod(kindFor(parameter), parameter);
		const known = from && textOfMethod(from);
		if (known) this.text = { ...known, name: name(known.name) };
	}

	/** The method as far as it is typed, without a word about what is missing; null as long as it is none. */
	readonly quietly: Method | null = $derived.by(() => {
		// A kit is tried before it has a name.
		const made = methodOfText({ ...this.text, name: this.text.name || 'this kit' }, this.from);
		return made.ok && checkMethod(made.value).ok ? made.value : null;
	});
	/** What has to be typed before it can be tried. */
	readonly missing: string = $derived.by(() => {
		const made = methodOfText({ ...this.text, name: this.text.name || 'this kit' }, this.from);
		const checked = made.ok ? checkMethod(made.value) : made;
		return checked.ok ? '' : faultAt(checked.fault);
	});

	set(change: Partial<MethodText>): void {
		this.text = { ...this.text, ...change };
		this.refused = null;
	}

	/** The first titration, or the second one in the same vial. */
	titration(which: 0 | 1): TitrationPart {
		const path = which === 0 ? '' : 'second.';
		return {
			path,
			text: which === 0 ? this.text : this.text.second,
			set: (change) => this.set(which === 0 ? change : { second: { ...this.text.second, ...change } }),
			faultOf: (field) => (this.refused?.field === `${path}${field}` ? this.refused.text : undefined)
		};
	}

	/** Another kind begins with what its own fields mostly hold; whatever both have stays. */
	change(kind: MethodText['kind']): void {
		const usual = emptyMethod(kind, this.text.parameter);
		const { worthBy } = this.text;
		const fits = (worthBy === 'excess') === (kind === 'back-titration');
		this.set({
			kind,
			blank: usual.blank,
			fullMl: usual.fullMl === '' ? '' : this.text.fullMl || usual.fullMl,
			worthBy: fits ? worthBy : usual.worthBy
		});
	}

	faultOf(field: keyof MethodText): string | undefined {
		return this.refused?.field === field ? this.refused.text : undefined;
	}

	/** Faults of a form's own fields need no path; those of a whole method do. */
	refuse(fault: Fault): null {
		const field = fault.field ?? '';
		this.refused = { field, text: isOwn(field, this.text) ? faultText(fault) : faultAt(fault) };
		return null;
	}

	/** The method that is typed; null where it is refused. */
	method(): Method | null {
		const made = methodOfText(this.text, this.from);
		if (!made.ok) return this.refuse(made.fault);
		const fits = checkMethod(made.value);
		return fits.ok ? made.value : this.refuse(fits.fault);
	}
}
