<!-- Before something is removed: what goes with it, and where it can be put back. -->
<script lang="ts">
  import { SkeletonText } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { api, asked } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import Dialog from './Dialog.svelte';
  import Trouble from './Trouble.svelte';
  import { ui } from '../words/ui';

  export type Kind = 'PIECE' | 'GROUP' | 'STUDENT' | 'ASSIGNMENT' | 'FINGERING';
  let {
    kind,
    id,
    others = [],
    name,
    more = '',
    onclose,
    ondone
  }: {
    kind: Kind;
    id: number;
    /** what is removed with it, one after the other */
    others?: number[];
    /** what is removed, as the teacher calls it */
    name: string;
    /** what else is to be known before */
    more?: string;
    onclose: () => void;
    ondone: (words: string) => void;
  } = $props();

  const goes = loaded<string[]>();
  const changes = door();
  let gone = 0;
  onMount(() => {
    void goes.ask(() =>
      asked(api.GET('/api/removals/{kind}/{id}', { params: { path: { kind, id } } }))
    );
  });

  const remove = () =>
    changes.once(
      async () => {
        // each after the other; what is gone already is not asked again
        for (const one of [id, ...others].slice(gone)) {
          const params = { path: { kind, id: one } };
          await asked(api.PUT('/api/removals/{kind}/{id}', { params }));
          gone++;
        }
      },
      () => ondone(ui.all.isRemoved(name))
    );
</script>

<Dialog
  danger
  size="sm"
  heading={ui.all.removeName(name)}
  send={ui.all.remove}
  disabled={!goes.value || changes.busy}
  {onclose}
  onsend={remove}
>
  <div class="text">
    {#if goes.value?.length}
      <p>{ui.all.withIt}</p>
      <ul>
        {#each goes.value as w (w)}<li>{w}</li>{/each}
      </ul>
    {:else if goes.value}
      <p>{ui.all.nothingElse}</p>
    {:else if !goes.problem}
      <SkeletonText paragraph lines={2} />
    {/if}
    {#if more}<p>{more}</p>{/if}
    <p class="quiet">{ui.all.nothingLost}</p>
    {#if goes.problem}<Trouble text={goes.problem} again={goes.again} />{/if}
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
  </div>
</Dialog>

<style>
  .text {
    display: grid;
    gap: 0.75rem;
  }
  ul {
    list-style: disc;
    margin: 0;
    padding-left: 1.25rem;
  }
</style>
