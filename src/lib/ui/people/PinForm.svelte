<script lang="ts">
	import { enhance } from '$app/forms';
	import { PIN_LENGTH } from '$lib/contract/lengths';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import { faultIn, type PeopleAnswer } from '$lib/ui/shared/page-answer';

	let { id, has, answer }: { id: string; has: boolean; answer: PeopleAnswer | null } = $props();
	const fault = $derived(faultIn(answer, 'pin'));
</script>

<Disclosure
	title={has ? 'Your digits for it: set' : 'Your digits for it: none'}
	open={fault.entered !== null}
	look="link min-h-11"
	class="mt-2"
>
	<form method="post" action="?/pin" use:enhance={sending} class="mt-2 grid max-w-[24rem] gap-4">
		<Hidden name="form" value="pin" />
		<Hidden name="id" value={id} />
		{#if fault.above(['pin'])}<Fault text={fault.above(['pin'])} />{/if}
		<Field
			name="pin"
			type="password"
			inputmode="numeric"
			label="{PIN_LENGTH.least} to {PIN_LENGTH.most} digits"
			help="Asked for where you tap your name there. Empty takes them away."
			autocomplete="off"
			maxlength={PIN_LENGTH.most}
			fault={fault.of('pin')}
		/>
		<div><Button type="submit">Keep them</Button></div>
	</form>
</Disclosure>
{#if answer?.done === 'pin'}<p class="small" role="status">Kept.</p>{/if}
