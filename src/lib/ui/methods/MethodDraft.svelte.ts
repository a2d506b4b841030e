import { checkMethod, type Method } from '$lib/core/method';
import type { Fault } from '$lib/core/result';
import { faultAt, faultText } from '$lib/format/faults';
import { methodOfText } from './draft/method-of-text';
import { emptyMethod, type MethodText } from './draft/method-text';
import { textOfMethod } from './draft/text-of-method';

/** A method while it is typed: its text, and what is wrong with it. */
export class MethodDraft {
	/** The method that is duplicated or revised; null for a new one. */
	readonly from: Method | null;
	text = $state.raw<MethodText>(emptyMethod('syringe-titration', 'calcium'));
	/** Why it was not taken; the field is empty where no field is to blame. */
	refused = $state.raw<{ readonly field: string; readonly text: string } | null>(null);

	constructor(from: Method | null, name: (old: string) => string) {
		this.from = from;
		const known = from && textOfMethod(from);
		if (known) this.text = { ...known, name: name(known.name) };
	}

	set(change: Partial<MethodText>): void {
		this.text = { ...this.text, ...change };
		this.refused = null;
	}

	faultOf(field: keyof MethodText): string | undefined {
		return this.refused?.field === field ? this.refused.text : undefined;
	}

	/** Faults of a form's own fields need no path; those of a whole method do. */
	refuse(fault: Fault): null {
		const field = fault.field ?? '';
		this.refused = { field, text: field in this.text ? faultText(fault) : faultAt(fault) };
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
