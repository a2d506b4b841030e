import Sortable from 'sortablejs';
import type { Attachment } from 'svelte/attachments';

/**
 * Rows of a list that are dragged by their handle, with a mouse or a finger. The list itself stays as it is: where a
 * row was let go is told, and whoever holds the rows puts them in order. Keys need buttons of their own beside it.
 *
 * @param onmove places among the rows that may be dragged, counted from 0
 */
export function sortRows(onmove: (from: number, to: number) => void): Attachment<HTMLElement> {
	return (list) => {
		const rows = '[data-drag-row]';
		/** What stood behind the row that is dragged, so that the page gets back what it drew. */
		let behind: Element | null = null;
		const sortable = Sortable.create(list, {
			draggable: rows,
			handle: '[data-drag-handle]',
			animation: 120,
			// One way for mouse, pen and finger, and the same in every browser.
			forceFallback: true,
			onStart: ({ item }) => {
				behind = item.nextElementSibling;
			},
			onEnd: ({ item, oldDraggableIndex, newDraggableIndex }) => {
				list.insertBefore(item, behind);
				if (oldDraggableIndex === undefined || newDraggableIndex === undefined) return;
				if (oldDraggableIndex !== newDraggableIndex) onmove(oldDraggableIndex, newDraggableIndex);
			}
		});
		return () => sortable.destroy();
	};
}
