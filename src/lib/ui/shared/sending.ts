import type { SubmitFunction } from '@sveltejs/kit';

/**
 * Sends a form and keeps what stands in its fields when it is refused. A second press while the answer is under way
 * does nothing; until then the form says that it is busy.
 */
export const sending: SubmitFunction = ({ formElement, cancel }) => {
	if (formElement.ariaBusy === 'true') return cancel();
	formElement.ariaBusy = 'true';
	return async ({ update }) => {
		try {
			await update({ reset: false });
		} finally {
			formElement.ariaBusy = null;
		}
	};
};
