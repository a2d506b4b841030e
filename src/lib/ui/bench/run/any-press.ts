/** Keys that do something else, wherever the hands are. */
const OTHER = new Set([
	'Shift',
	'Control',
	'Alt',
	'AltGraph',
	'Meta',
	'CapsLock',
	'Tab',
	'Escape',
	'Backspace',
	'?'
]);
const TYPED_IN = 'input, select, textarea';
const PRESSED = `${TYPED_IN}, button, a, summary, label, [role=slider], [role=dialog], header, footer, nav`;

/**
 * True where a key stands for the one thing to do: with both hands full it is whatever an elbow, a nose or a pedal can
 * reach. A key that a field or a focused button takes for itself is left to it.
 */
export function isAnyKey(event: KeyboardEvent): boolean {
	const { target, key } = event;
	if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || OTHER.has(key)) return false;
	if (!(target instanceof Element)) return true;
	if (target.closest(TYPED_IN)) return false;
	return !((key === ' ' || key === 'Enter') && target.closest('button, a, summary'));
}

/** True where a tap met nothing that answers by itself. */
export function isAnyTap(event: MouseEvent): boolean {
	return event.target instanceof Element && event.target.closest(PRESSED) === null;
}
