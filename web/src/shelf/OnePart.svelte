<!-- One player's part as it is handed out: engraved, fingered where it must be, explained. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import Missing from '../parts/Missing.svelte';
  import TrillsTold from '../parts/TrillsTold.svelte';
  import Score from '../stand/Score.svelte';
  import type { Language } from '../words/language';
  import { day, wordsOf } from '../words/ui';

  let {
    view,
    given,
    ondrawn
  }: {
    view: Schemas['StandView'];
    given: Schemas['AssignmentView'];
    ondrawn: () => void;
  } = $props();

  /** a sheet is in the language that its student reads */
  const language = $derived(view.language.toLowerCase() as Language);
  const words = $derived(wordsOf(language));
  const mine = $derived(view.given.find((g) => g.assignmentId === given.id));
  const inside = $derived(
    view.plan.notes.filter((n) => !mine || (n.bar >= mine.from && n.bar <= mine.to))
  );
  const all = $derived(!mine || (mine.from === 0 && mine.to >= view.bars.length - 1));

  interface Told {
    key: string;
    shown: string;
    label: string;
    bars: string[];
    isNew: boolean;
    why: string;
  }
  /** Each fingering that is new or not usual, once, with its bars and why. */
  const told = $derived.by(() => {
    const found = new Map<string, Told>();
    for (const n of inside) {
      if (!n.isNew && !n.unlearned && n.role === 'STANDARD') continue;
      const key = n.written + ' ' + n.fingering;
      const one = found.get(key);
      if (one) {
        if (!one.bars.includes(n.barNumber)) one.bars.push(n.barNumber);
        one.why ||= n.reasons[0]?.text ?? '';
      } else
        found.set(key, {
          key,
          shown: n.shown,
          label: n.label,
          bars: [n.barNumber],
          isNew: n.isNew,
          why: n.reasons[0]?.text ?? ''
        });
    }
    return [...found.values()];
  });
</script>

<article aria-label="{view.student.name}, {view.student.instrumentName}">
  <header>
    <h2>{view.piece.title}</h2>
    <p><b>{view.student.name}</b>, {view.student.instrumentName.toLowerCase()}</p>
    <p class="small">
      {[words.shelf.forDay(day(given.due, language)), mine?.what ?? given.what]
        .filter(Boolean)
        .join(' · ')}{view.simpler ? words.shelf.simplerPart : ''}
    </p>
  </header>
  {#if given.message}<p class="sentence">{given.message}</p>{/if}
  <Score
    xml={view.xml}
    plan={view.plan}
    lanes={[]}
    guides={[]}
    chosen=""
    onchoose={() => undefined}
    follow={false}
    print="changed"
    selected={all || !mine ? undefined : [mine.from, mine.to]}
    {ondrawn}
  />
  {#if view.plan.missing.length}
    <ul>
      <Missing missing={view.plan.missing} {words} />
    </ul>
  {/if}
  {#if told.length || inside.some((n) => n.trill.length)}
    <ul>
      {#each told as t (t.key)}
        <li>
          {t.isNew ? words.shelf.isNew : ''}<b>{t.shown}</b>, {words.all.barsList(t.bars)}: {t.label}.{t.why
            ? ` ${t.why}`
            : ''}
        </li>
      {/each}
      <TrillsTold notes={inside} {words} />
    </ul>
  {/if}
</article>

<style>
  article {
    margin-top: 1.5rem;
    padding: 1rem 1.25rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    break-inside: avoid;
    break-after: page;
  }
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.25rem;
    align-items: baseline;
  }
  .sentence {
    font-style: italic;
  }
  ul {
    margin: 0.5rem 0 0;
    padding-left: 1rem;
    list-style: disc;
  }
  @media print {
    article {
      border: 0;
      padding: 0;
      margin: 0;
    }
  }
</style>
