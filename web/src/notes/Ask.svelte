<!-- The student fingers this note and another sounds: what may have happened. -->
<script lang="ts">
  import { Select, SelectItem } from 'carbon-components-svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { short } from '../stand/lanes';
  import { ui } from '../words/ui';

  let {
    table,
    note,
    options
  }: {
    table: Schemas['TableView'];
    note: Schemas['TableNote'];
    options: string[];
  } = $props();

  /** what is heard when it is no other note */
  const ITSELF = 'itself';
  interface Cause {
    text: string;
    remedy: string;
    held?: string;
  }
  let heard = $state('');
  let causes = $state.raw<Cause[]>();
  let problem = $state('');

  $effect(() => {
    const expected = note.written;
    const other = heard;
    causes = undefined;
    problem = '';
    if (!other || other === expected) return;
    let gone = false;
    const path = { instrument: table.id };
    const found: Promise<Cause[]> =
      other === ITSELF
        ? asked(api.GET('/api/notes/{instrument}/symptoms', { params: { path } }))
        : asked(
            api.GET('/api/notes/{instrument}/trouble', {
              params: { path, query: { set: options, expected, heard: other } }
            })
          );
    found
      .then((c) => {
        if (!gone) causes = c;
      })
      .catch((e) => {
        if (!gone) problem = sentence(e);
      });
    return () => {
      gone = true;
    };
  });
</script>

<section aria-live="polite">
  <h3>{ui.notes.somethingElse}</h3>
  <Select
    size="sm"
    labelText={(table.kind === 'NONE' ? ui.notes.isWritten : ui.notes.isFingered)(note.shown)}
    selected={heard}
    on:change={(e) => (heard = String((e.target as HTMLSelectElement).value))}
  >
    <SelectItem value="" text={ui.notes.chooseHeard} />
    <SelectItem value={ITSELF} text={ui.notes.itself} />
    {#each table.notes.filter((n) => n.midi !== note.midi) as n (n.midi)}
      <SelectItem value={n.written} text={n.shown} />
    {/each}
  </Select>
  {#if problem}<p class="small" role="alert">{problem}</p>{/if}
  {#if causes}
    {#if causes.length}
      <ol>
        {#each causes as c (c.text)}
          <li>
            <p>{c.text}</p>
            <p class="small quiet">{ui.notes.try(c.remedy)}</p>
            {#if c.held && c.held !== note.ways[0]?.fingering}<p class="small quiet">
                {ui.notes.reallyHeld(short(c.held).join(' · '))}
              </p>{/if}
          </li>
        {/each}
      </ol>
    {:else}
      <p class="small">
        {ui.notes.nothingSimple}
      </p>
    {/if}
  {/if}
</section>

<style>
  ol {
    margin: 0.75rem 0 0;
    padding-left: 1.25rem;
    list-style: decimal;
  }
  li {
    margin-bottom: 0.5rem;
  }
</style>
