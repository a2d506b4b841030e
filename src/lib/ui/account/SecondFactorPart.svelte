<script lang="ts">
	import { enhance } from '$app/forms';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { sending } from '$lib/ui/shared/sending';
	import { faultOf, type AccountAnswer } from './account-seen';

	let { has, answer }: { has: boolean; answer: AccountAnswer | null } = $props();
	const fault = $derived(faultOf(answer, 'factor'));
	const confirmFault = $derived(faultOf(answer, 'confirm'));
	/** Kept while a first code is typed, and typed again. */
	let shown = $state.raw<AccountAnswer['factor']>(undefined);
	$effect(() => {
		if (answer?.factor) shown = answer.factor;
		if (answer?.done === 'confirmed' || answer?.done === 'without') shown = undefined;
	});
</script>

<h2 class="mt-9 text-2xl">A second step</h2>
<p class="small mt-1 text-muted">
	{has
		? 'Beside your password, six digits of your authenticator are asked for.'
		: 'Beside your password, six digits that an authenticator on your phone shows, new each half minute.'}
</p>
{#if answer?.done === 'confirmed'}<p class="mt-2" role="status">It is asked for from now on.</p>{/if}
{#if answer?.done === 'without'}<p class="mt-2" role="status">It is not asked for any more.</p>{/if}
{#if shown && !has}
	<div class="mt-4 grid gap-x-8 gap-y-5 border-2 border-ink p-5 sm:grid-cols-[13rem_minmax(0,1fr)]">
		<img src={shown.qr} alt="The secret, for an authenticator’s camera" class="w-52 border bg-white" />
		<div class="min-w-0">
			<ol class="list-decimal space-y-4 pl-5">
				<li>
					Hold the authenticator’s camera on the picture, or type <span class="figures break-all"
						>{shown.secret}</span
					>
				</li>
				<li>
					Write these down and put them away. Each is good once, for when the phone is lost:
					<ul class="figures mt-1 grid grid-cols-2 gap-x-4 font-semibold">
						{#each shown.spareCodes as spare (spare)}<li>{spare}</li>{/each}
					</ul>
				</li>
				<li>
					Type what it shows:
					<form method="post" action="?/confirm" use:enhance={sending} class="mt-2 grid max-w-60 gap-3">
						<Hidden name="form" value="confirm" />
						{#if confirmFault.above('code')}<Fault text={confirmFault.above('code')} />{/if}
						<Field
							name="code"
							label="Six digits"
							inputmode="numeric"
							autocomplete="one-time-code"
							required
							fault={confirmFault.of('code')}
						/>
						<div><Button type="submit" kind="primary">Ask for it from now on</Button></div>
					</form>
				</li>
			</ol>
		</div>
	</div>
{:else}
	<Disclosure
		title={has ? 'Do without it' : 'Set it up'}
		open={fault.above() !== '' || fault.of('password') !== undefined}
		look="link min-h-11"
		class="mt-2"
	>
		<form
			method="post"
			action={has ? '?/without' : '?/begin'}
			use:enhance={sending}
			class="mt-2 grid max-w-[24rem] gap-4"
		>
			<Hidden name="form" value="factor" />
			{#if fault.above('password')}<Fault text={fault.above('password')} />{/if}
			<Field
				name="password"
				label="Your password"
				type="password"
				autocomplete="current-password"
				required
				fault={fault.of('password')}
			/>
			<div><Button type="submit">{has ? 'Ask for it no more' : 'Go on'}</Button></div>
		</form>
	</Disclosure>
{/if}
