import type { Attachment } from 'svelte/attachments';

/**
 * What floats gives the focus back to what opened it, whichever way it was closed. The platform does so for a dialog
 * that is closed, but not for one that is taken away.
 */
export const focusBack: Attachment<HTMLElement> = () => {
	const opener = document.activeElement;
	return () => {
		if (opener instanceof HTMLElement) setTimeout(() => opener.focus());
	};
};
