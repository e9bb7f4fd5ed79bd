<!-- One concert pitch for the whole group on one page: to show on a projector and to print. -->
<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import { alone, asAlone, midiOf, read, shown as shownName } from '../lib/pitch';
  import Bars from '../notes/Bars.svelte';
  import Hands from '../notes/Hands.svelte';
  import SheetWords from '../parts/SheetWords.svelte';
  import Staff from '../parts/Staff.svelte';
  import TakeAway from '../parts/TakeAway.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import Wall from '../parts/Wall.svelte';
  import { ofLesson } from '../parts/wall';
  import { merged } from './lesson';
  import { visit, route } from '../router';
  import { short } from '../stand/lanes';
  import { ways } from '../ways.svelte';
  import { ui } from '../words/ui';

  const group = $derived(Number(route.params.group));
  const pitch = $derived(
    asAlone(decodeURIComponent(route.params.pitch ?? 'Bb'), ways.now.chromatic)
  );
  interface Page {
    lesson?: Schemas['LessonView'];
    suggested: Schemas['SuggestedView'][];
  }
  /** where a section learns the note otherwise, by instrument, as it stands on its page */
  let octaves = $state.raw<Record<string, string>>({});
  const page = loaded<Page>();
  const lesson = $derived(page.value?.lesson);
  const suggested = $derived(page.value?.suggested ?? []);

  $effect(() => {
    void load(group, pitch, octaves);
  });

  /** The name of a note that is suggested: it comes with the word next. */
  const name = (s: Schemas['SuggestedView']) => s.what.split(' ')[0]!;
  const load = (id: number, p: string, chosen: Record<string, string>) =>
    page.ask(
      async () => {
        const path = { groupId: id };
        const list = await asked(
          api.GET('/api/groups/{groupId}/checks/suggested', { params: { path } })
        );
        return {
          suggested: list,
          // without a pitch: the one that most need next
          lesson:
            p === 'next'
              ? undefined
              : await asked(
                  api.GET('/api/groups/{groupId}/lesson', {
                    params: {
                      path,
                      query: {
                        pitch: p,
                        at: Object.entries(chosen).map(([i, written]) => `${i}:${written}`)
                      }
                    }
                  })
                )
        };
      },
      ({ suggested: list }) => {
        if (p === 'next')
          visit(`/people/group/${id}/note/${encodeURIComponent(list[0] ? name(list[0]) : 'Bb')}`, {
            replace: true
          });
      }
    );
  const go = (p: string) => {
    octaves = {};
    visit(`/people/group/${group}/note/${encodeURIComponent(p)}`);
  };
  const pitches = $derived(alone(ways.now.chromatic));
  const shown = (p: string) => {
    const n = read(p);
    return n ? shownName(n, ways.naming) : p;
  };
  /** Why a note is met in this octave, where that needs a word. */
  function octave({ octave: o }: Schemas['LessonRow']) {
    const had = o.had.map((n) => n.shown).join(', ');
    const words: string[] = [];
    if (o.why === 'NEEDED') words.push(ui.people.asPieceBrings(o.piece));
    if (o.why === 'MOVED') words.push(ui.people.nearestOctave);
    if (o.beyond) words.push(ui.people.beyondGroup);
    if (had && (o.why === 'NEEDED' || o.beyond)) words.push(ui.people.hasOther(had));
    return words.join('; ');
  }
  const lines = () => [
    [ui.all.student, ui.all.instrument, ui.notes.reads, ui.notes.fingers, ui.people.how],
    ...lesson!.rows.flatMap((r) => r.students.map((s) => [s, r.name, r.shown, r.label, r.compared]))
  ];
  const told = $derived(merged(lesson?.rows ?? [], octave));
  const have = $derived(told.flatMap((t) => t.has));
  /** to jump to a section: the first of each */
  const places = $derived([...new Set(told.map((t) => t.row.name))]);
  const placeOf = (name: string) => `section-${places.indexOf(name)}`;
  /** the wall shows one section at a time */
  let wall = $state(false);
  const slides = $derived(ofLesson(told, midiOf));
  pageKeys(ui.today.newNote, [
    {
      on: 'v',
      words: ui.wall.open,
      when: () => slides.length > 0,
      act: () => {
        wall = true;
      }
    }
  ]);
  const offered = $derived([...new Set([...pitches, ...suggested.map(name), pitch])]);
</script>

<svelte:head
  ><title>{ui.people.newNoteTitle(lesson ? ` ${lesson.shown}: ${lesson.group}` : '')}</title
  ></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !lesson}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {:else}
    <header>
      <div>
        <h1>{ui.people.everyonePlays(lesson.shown)}</h1>
        <p class="quiet">{ui.people.concertOf(lesson.group, lesson.shown)}</p>
      </div>
      <div class="how">
        <Select
          size="sm"
          labelText={ui.all.concertPitch}
          selected={pitch}
          on:change={(e) => go(String((e.target as HTMLSelectElement).value))}
        >
          {#each offered as p (p)}<SelectItem value={p} text={shown(p)} />{/each}
        </Select>
        <SheetWords />
        <button class="plain link screen" onclick={() => (wall = true)}
          >{ui.wall.open} <kbd>v</kbd></button
        >
        <TakeAway name={ui.people.everyonePlays(lesson.shown)} rows={lines} />
        <a href="/ear/class/{group}">{ui.all.playingCheck}</a>
      </div>
    </header>
    {#if suggested.length}
      <div class="next small">
        {ui.people.neededColon}
        {#each suggested as s (s.what)}<span
            ><button class="plain link" onclick={() => go(name(s))}>{s.shown}</button>
            <span class="quiet">{s.why}</span></span
          >{/each}
      </div>
    {/if}
    {#if have.length}
      <p class="small">{ui.people.haveAlready} {have.join(', ')}</p>
    {/if}
    {#if places.length > 4}
      <nav class="small screen places" aria-label={ui.people.sectionsNav}>
        {#each places as name (name)}<a href="#{placeOf(name)}">{name}</a>{/each}
      </nav>
    {/if}
    {#each told as t, i (t.row.name + t.students.join())}
      {@const r = t.row}
      <article id={told[i - 1]?.row.name === r.name ? undefined : placeOf(r.name)}>
        <div class="who">
          <h2>{r.name}</h2>
          <p class="small">{t.students.join(', ')}</p>
          {#if t.has.length}<p class="small quiet">
              {t.has.length < t.students.length ? `${t.has.join(', ')}: ` : ''}{ui.people
                .hasAlready}
            </p>{/if}
        </div>
        <div class="note">
          <Staff
            notes={[{ pitch: r.written, name: r.shown }]}
            clef={r.clef}
            label={ui.people.noteSounds(r.shown, r.sounding)}
          />
          <p class="small quiet">{ui.people.soundsLike(r.sounding)}</p>
          {#if r.octaves.length > 1}
            <label class="octave small">
              <span class="hidden">{ui.people.octaveFor(r.name)}</span>
              <select
                value={r.written}
                onchange={(e) =>
                  (octaves = { ...octaves, [r.instrument]: (e.target as HTMLSelectElement).value })}
              >
                {#each r.octaves as o (o.written)}<option value={o.written}>{o.shown}</option
                  >{/each}
              </select>
            </label>
          {/if}
        </div>
        <div class="picture">
          <p class="label">{r.label}</p>
          {#if r.kind === 'NONE'}
            <Bars midi={midiOf(r.written)} label={r.label} />
          {:else}
            <p class="notation small">{short(r.fingering).join(' · ')}</p>
            <Hands
              instrument={r.instrument}
              keys={r.keys}
              held={r.held}
              kind={r.kind}
              guides={r.guides}
              slideCm={r.slideCm}
              label={r.label}
            />
          {/if}
        </div>
        <div class="words">
          <p class="compared">{r.compared}</p>
          <p class="small">{r.air}</p>
          {#each r.mistakes as m (m.shown + m.why)}
            <p class="small">
              {#if m.shown}<b>{ui.people.heardQuestion(m.shown)}</b>{/if}
              {m.why} <i>{m.mend}</i>
            </p>
          {/each}
          {#each t.octaves as o (o.words)}
            <p class="small quiet">
              {o.students.length < t.students.length ? `${o.students.join(', ')}: ` : ''}{o.words}
            </p>
          {/each}
          {#if r.caution}<p class="small caution"><b>{ui.all.care}</b> {r.caution}</p>{/if}
        </div>
      </article>
    {:else}
      <p>{ui.all.nobodyYet} <a href="/people">{ui.all.setUpStudents}</a>.</p>
    {/each}
    {#each lesson.without as w (w)}<p class="small quiet">{w}</p>{/each}
    <p class="small quiet foot">
      {ui.people.stop}
    </p>
  {/if}
</div>

{#if wall}<Wall {slides} onclose={() => (wall = false)} />{/if}

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0.5rem 2rem;
    align-items: flex-end;
  }
  .how {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
    align-items: flex-end;
  }
  .places {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1rem;
    margin: 0.5rem 0;
  }
  article {
    scroll-margin-top: 1rem;
  }
  .next {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1.25rem;
    align-items: center;
    margin: 0.75rem 0;
  }
  article {
    display: grid;
    grid-template-columns: 8.5rem 7.5rem 15rem minmax(0, 1fr);
    gap: 1rem;
    align-items: center;
    padding: 0.5rem 1rem;
    margin-top: -1px;
    background: var(--paper);
    border: 1px solid var(--rule);
    break-inside: avoid;
  }
  .note {
    text-align: center;
  }
  .octave select {
    min-height: max(1.75rem, var(--target));
    font: inherit;
    color: inherit;
    background: var(--paper);
    border: 1px solid var(--rule);
    border-radius: 4px;
  }
  .hidden {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  .notation {
    color: var(--ink-2);
    letter-spacing: 0.04em;
  }
  .label {
    font-weight: 600;
    line-height: 1.25;
  }
  .label::first-letter {
    text-transform: uppercase;
  }
  .picture {
    display: flex;
    flex-direction: column;
    gap: 0.125rem;
    align-items: center;
    text-align: center;
  }
  .picture :global(svg) {
    max-width: 100%;
    height: auto;
    max-height: 9rem;
  }
  .words {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
  }
  .compared {
    font-size: 1.0625rem;
  }
  .caution {
    padding: 0.25rem 0.5rem;
    border: 1px solid var(--hard);
    border-radius: 4px;
  }
  .foot {
    margin-top: 1rem;
  }
  @media (max-width: 1000px) {
    article {
      grid-template-columns: 8rem 8rem minmax(0, 1fr);
    }
    .words {
      grid-column: 1 / -1;
    }
  }
  @media (max-width: 550px) {
    article {
      grid-template-columns: minmax(0, 1fr) 8rem;
    }
    .picture {
      grid-column: 1 / -1;
    }
  }
  @page {
    margin: 10mm;
  }
  @media print {
    .how,
    .next,
    .octave {
      display: none !important;
    }
    .page {
      padding: 0;
      max-width: none;
    }
    header {
      margin-bottom: 0.1cm;
    }
    header > div {
      display: flex;
      gap: 0.5cm;
      align-items: baseline;
    }
    /* twelve players stand on the two sides of one sheet */
    article {
      grid-template-columns: 2.9cm 4.1cm minmax(0, 1fr);
      grid-template-rows: auto auto;
      gap: 0 0.25cm;
      padding: 0.08cm 0.15cm;
      font-size: 8.5pt;
      line-height: 1.2;
      color: #000;
      border-color: #000;
    }
    .who,
    .note {
      grid-column: 1;
      text-align: left;
    }
    .who {
      align-self: end;
    }
    .note {
      align-self: start;
    }
    .note :global(.staff) {
      min-height: 0;
    }
    .picture {
      grid-column: 2;
      grid-row: 1 / 3;
    }
    .words {
      grid-column: 3;
      grid-row: 1 / 3;
      gap: 0.03cm;
    }
    article .small,
    .compared {
      font-size: 8.5pt;
      line-height: 1.2;
    }
    .label,
    .picture .notation {
      font-size: 9pt;
      line-height: 1.15;
    }
    .who h2 {
      font-size: 9.5pt;
      line-height: 1.15;
    }
    .picture :global(svg) {
      max-height: 2.5cm;
    }
    .foot {
      margin-top: 0.2cm;
      font-size: 8pt;
    }
    h1 {
      font-size: 14pt;
    }
  }
</style>
