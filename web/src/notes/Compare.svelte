<!-- Two fingerings side by side: what moves, what stays, what may slip out, what changes in pitch. -->
<script lang="ts">
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { short } from '../stand/lanes';
  import { ui } from '../words/ui';

  let {
    table,
    options,
    mark,
    note,
    way,
    onclear
  }: {
    table: Schemas['TableView'];
    options: string[];
    mark: { note: string; shown: string; way: Schemas['WayView'] } | undefined;
    note: Schemas['TableNote'];
    way: Schemas['WayView'];
    onclear: () => void;
  } = $props();

  let view = $state.raw<Schemas['CompareView']>();
  let problem = $state('');
  const same = $derived(mark?.note === note.written && mark.way.fingering === way.fingering);

  $effect(() => {
    const m = mark;
    const query =
      m && !same
        ? {
            set: options,
            fromNote: m.note,
            from: m.way.fingering,
            toNote: note.written,
            to: way.fingering
          }
        : undefined;
    view = undefined;
    problem = '';
    if (!query) return;
    let gone = false;
    asked(
      api.GET('/api/notes/{instrument}/move', {
        params: { path: { instrument: table.id }, query }
      })
    )
      .then((v) => {
        if (!gone) view = v;
      })
      .catch((e) => {
        if (!gone) problem = sentence(e);
      });
    return () => {
      gone = true;
    };
  });

  const list = (words: string[]) => words.join(', ');
  const hard = (d: number) =>
    d < 0.15
      ? ui.notes.easy
      : d < 0.35
        ? ui.notes.fairlyEasy
        : d < 0.6
          ? ui.notes.hard
          : ui.notes.veryHard;
</script>

<section aria-live="polite">
  <h3>{ui.notes.compare}</h3>
  {#if !mark}
    <p class="small quiet">
      {ui.notes.press} <kbd>c</kbd>
      {ui.notes.pressC}
    </p>
  {:else}
    <p class="ends">
      <span
        ><b>{mark.shown}</b>
        {mark.way.label}<br /><span class="quiet">{short(mark.way.fingering).join(' · ')}</span
        ></span
      >
      <span aria-hidden="true">→</span>
      {#if same}
        <span class="quiet">{ui.notes.chooseAnother}</span>
      {:else}
        <span
          ><b>{note.shown}</b>
          {way.label}<br /><span class="quiet">{short(way.fingering).join(' · ')}</span></span
        >
      {/if}
    </p>
    {#if problem}<p class="small" role="alert">{problem}</p>{/if}
    {#if view}
      <dl class="small">
        {#if view.down.length}<dt>{ui.notes.down}</dt>
          <dd>{list(view.down)}</dd>{/if}
        {#if view.up.length}<dt>{ui.notes.up}</dt>
          <dd>{list(view.up)}</dd>{/if}
        {#each view.slides as s (s.finger)}<dt>{ui.notes.changesKey}</dt>
          <dd>{s.finger}</dd>{/each}
        {#if view.slideCm >= 0.5}<dt>{ui.notes.slide}</dt>
          <dd>{ui.notes.cm(view.slideCm.toFixed(0))}</dd>{/if}
        {#if view.stay.length}<dt>{ui.notes.stays}</dt>
          <dd>{list(view.stay)}</dd>{/if}
        {#each view.slips as s (s.shown + s.cause)}<dt>{ui.notes.maySlip}</dt>
          <dd><b>{s.shown}</b>: {s.cause}; {s.audibly}</dd>{/each}
      </dl>
      {#if view.contrary}<p class="small">{ui.notes.contrary}</p>{/if}
      {#if !view.down.length && !view.up.length && !view.slides.length && view.slideCm < 0.5}
        <p class="small">{ui.notes.nothingMoves}</p>
      {/if}
      {#if view.sentence}<p class="small">{view.sentence}</p>{/if}
      {#if view.pitch}<p class="small">{view.pitch}</p>{/if}
      <p class="small quiet">{ui.notes.slurred(hard(view.difficulty))}</p>
    {/if}
    <button class="plain link small" onclick={onclear}>{ui.notes.stopComparing}</button>
  {/if}
</section>

<style>
  .ends {
    display: flex;
    gap: 0.5rem;
    font-size: 0.8125rem;
    margin: 0.25rem 0;
  }
  dl {
    display: grid;
    grid-template-columns: 5.5rem 1fr;
    gap: 0.125rem 0.5rem;
    margin: 0.5rem 0;
  }
  dt {
    color: var(--ink-2);
  }
  dd {
    margin: 0;
  }
</style>
