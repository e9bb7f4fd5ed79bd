<!-- A fingering as a picture: on the instrument itself, or in a plain scheme where one prefers it. -->
<script lang="ts">
  import Drawn from './Drawn.svelte';
  import { eyes } from './eyes.svelte';
  import type { Held, Key, Kind } from './hands';
  import { pictures } from './pictures.svelte';
  import Plain from './Plain.svelte';

  let {
    instrument,
    ...rest
  }: {
    /** its id */
    instrument: string;
    keys: Key[];
    held: Held[];
    kind: Kind;
    guides?: number[];
    slideCm?: number;
    label: string;
    /** where letters would be too small to be read: the shapes alone */
    small?: boolean;
    /** makes the controls buttons */
    ontoggle?: (key: Key) => void;
  } = $props();
  const drawing = $derived(eyes.plain ? undefined : pictures.of(instrument));
</script>

{#if drawing}
  <Drawn {drawing} {...rest} />
{:else if eyes.plain || pictures.known}
  <Plain {...rest} />
{/if}
