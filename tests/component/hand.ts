import { fireEvent } from '@testing-library/svelte';
import { createRawSnippet, type Snippet } from 'svelte';

/** Words as a component's children. */
export const words = (text: string): Snippet =>
	createRawSnippet(() => ({ render: () => `<span>${text}</span>` }));

/** What a form around a part would send. */
export function sent(container: Element): [string, string][] {
	const form = document.createElement('form');
	form.append(...[...container.children].map((child) => child.cloneNode(true)));
	// Copies have what was written in the markup; what was typed and ticked is carried over.
	const all = 'input, select, textarea';
	const copies = [...form.querySelectorAll<HTMLInputElement>(all)];
	[...container.querySelectorAll<HTMLInputElement>(all)].forEach((field, i) => {
		copies[i]!.value = field.value;
		if (field.type === 'checkbox' || field.type === 'radio') copies[i]!.checked = field.checked;
	});
	return [...new FormData(form)].flatMap(([name, value]) =>
		typeof value === 'string' ? [[name, value]] : []
	);
}

/** Types a text into a field, as a person who then leaves it. */
export async function type(field: Element, text: string): Promise<void> {
	await fireEvent.input(field, { target: { value: text } });
	await fireEvent.change(field);
}

export const press = (key: string, on: Element | Window = document.body): Promise<boolean> =>
	fireEvent.keyDown(on, { key });
