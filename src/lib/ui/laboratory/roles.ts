import type { ColumnRole, ReportFault } from '$lib/core/interchange';
import { isParameterId, PARAMETERS } from '$lib/core/quantity';

/** Columns that hold no parameter of their own. */
export const ROLE_NAMES = {
	ignore: 'nothing that is needed',
	parameter: 'what was measured',
	value: 'the value',
	unit: 'the unit',
	uncertainty: '± (k = 2)',
	date: 'when it was drawn'
} as const;

/** A role as the value of a choice. */
export function roleId(role: ColumnRole): string {
	return role.kind === 'of' ? `${role.parameter}/${role.unit}` : role.kind;
}

export function roleOf(id: string): ColumnRole {
	const [parameter = '', unit = ''] = id.split('/');
	if (isParameterId(parameter)) {
		const found = PARAMETERS[parameter].units.find((u) => u === unit);
		if (found) return { kind: 'of', parameter, unit: found };
	}
	return id in ROLE_NAMES ? { kind: id as keyof typeof ROLE_NAMES } : { kind: 'ignore' };
}

/** Why a line was left out. */
export const REPORT_FAULTS: Readonly<Record<ReportFault['why'], string>> = {
	'no-parameter': 'what was measured is not known here',
	'no-value': 'the value is no number',
	'no-unit': 'the unit does not fit what was measured',
	'no-date': 'the day cannot be read; write 2026-11-23 or 23.11.2026',
	'bad-uncertainty': 'the ± is no number above zero'
};
