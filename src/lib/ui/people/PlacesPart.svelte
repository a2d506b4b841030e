<script lang="ts">
	import { enhance } from '$app/forms';
	import type { PlaceSeen } from '$lib/contract/people';
	import { instant, type Instant } from '$lib/core/time';
	import { shortDay } from '$lib/format/date';
	import Button from '$lib/ui/kit/Button.svelte';
	import Disclosure from '$lib/ui/kit/Disclosure.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Hidden from '$lib/ui/kit/Hidden.svelte';
	import Fault from '$lib/ui/shared/Fault.svelte';
	import { mayHere } from '$lib/ui/access/may';
	import { sending } from '$lib/ui/shared/sending';
	import { faultIn, type PeopleAnswer } from '$lib/ui/shared/page-answer';
	import LinkShown from '$lib/ui/shared/LinkShown.svelte';

	interface Props {
		places: readonly PlaceSeen[];
		id: string;
		timeZone: string;
		now: Instant;
		answer: PeopleAnswer | null;
	}
	let { places, id, timeZone, now, answer }: Props = $props();
	const fault = $derived(faultIn(answer, 'place'));
	const day = (at: number) => shortDay(instant(at), timeZone, now);
</script>

<h2 class="mt-10 text-2xl">Devices at the tank</h2>
<p class="small mt-1 text-muted">
	A tablet on the cabinet stays signed in as the place. By itself it only looks; whoever reads taps their
	name, and may do there what a helper may.
</p>
{#if answer?.done === 'place' && answer.link}
	<div class="mt-4">
		<LinkShown link={answer.link}
			>Open it on the tablet within a day: it is this place from then on, and nobody’s.</LinkShown
		>
	</div>
{/if}
<ul class="mt-3 border-b">
	{#each places as place (place.id)}
		<li class="flex flex-wrap items-center justify-between gap-x-6 border-t py-2">
			<span><strong>{place.name}</strong></span>
			<span class="small text-muted"
				>{place.takenUpAt === null
					? 'no device opened its link yet'
					: `signed in since ${day(place.takenUpAt)}`}</span
			>
			{#if mayHere('people')}
				<form method="post" action="?/revokePlace" use:enhance={sending}>
					<Hidden name="form" value="revokePlace" />
					<Hidden name="id" value={id} />
					<Hidden name="placeId" value={place.id} />
					<Button type="submit" kind="text" class="small min-h-11"
						>Sign it out<span class="visually-hidden">: {place.name}</span></Button
					>
				</form>
			{/if}
		</li>
	{:else}
		<li class="border-t py-3 text-muted">No device belongs to this place.</li>
	{/each}
</ul>
{#if mayHere('people')}
	<Disclosure title="Add a device" open={fault.entered !== null} look="link min-h-11" class="mt-2">
		<form method="post" action="?/place" use:enhance={sending} class="mt-2 grid max-w-[24rem] gap-4">
			<Hidden name="form" value="place" />
			<Hidden name="id" value={id} />
			{#if fault.above(['name'])}<Fault text={fault.above(['name'])} />{/if}
			<Field
				name="name"
				label="What it is called"
				help="For instance: tablet on the cabinet."
				value={fault.entered?.name ?? ''}
				maxlength={80}
				required
				fault={fault.of('name')}
			/>
			<div><Button type="submit">Make its link</Button></div>
		</form>
	</Disclosure>
{/if}
