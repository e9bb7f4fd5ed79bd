<!-- What was done for many at once, and the button that takes it back in one go, also days later. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from './Trouble.svelte';
  import { ui } from '../words/ui';

  type Batch = Schemas['BatchView'];
  let {
    kind,
    group = 0,
    piece = 0,
    most = 3,
    heading = '',
    ondone
  }: {
    /** of which kind; all where none is named */
    kind?: Batch['kind'];
    group?: number;
    piece?: number;
    /** so many are shown, the last first */
    most?: number;
    heading?: string;
    ondone: (words: string) => void;
  } = $props();

  const page = loaded<Batch[]>();
  const changes = door();
  const shown = $derived(
    (page.value ?? [])
      .filter(
        (b) =>
          (!kind || b.kind === kind) &&
          (!group || b.group === group) &&
          (!piece || b.piece === piece)
      )
      .slice(0, most)
  );

  /** Something more was done: the list is read again. */
  export function again() {
    void page.ask(() => asked(api.GET('/api/batches')));
  }
  onMount(again);
  $effect(() => {
    void [group, piece];
    untrack(() => changes.next());
  });

  const takeBack = (b: Batch) =>
    changes.once(
      () => asked(api.POST('/api/batches/{id}/back', { params: { path: { id: b.id } } })),
      ({ done }) => {
        ondone(done);
        again();
      }
    );
</script>

{#if shown.length}
  <section class="screen">
    {#if heading}<h2>{heading}</h2>{/if}
    <ul>
      {#each shown as b (b.id)}
        <li>
          <span>{b.what} <span class="small quiet">{b.when}</span></span>
          <button class="plain link" disabled={changes.busy} onclick={() => takeBack(b)}
            >{ui.all.takeAllBack}<span class="bx--visually-hidden">: {b.what}</span></button
          >
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
{#if changes.problem}<Trouble text={changes.problem} />{/if}

<style>
  section {
    margin: 0.5rem 0;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
    align-items: baseline;
  }
</style>
