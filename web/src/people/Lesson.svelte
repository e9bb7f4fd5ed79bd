<!-- One concert pitch for the whole group on one page: to show on a projector and to print. -->
<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import { read, shown as shownName } from '../lib/pitch';
  import Hands from '../notes/Hands.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate, route } from '../router';
  import { short } from '../stand/lanes';
  import { ways } from '../ways.svelte';

  const group = $derived(Number(route.params.group));
  const pitch = $derived(decodeURIComponent(route.params.pitch ?? 'Bb'));
  interface Page {
    lesson?: Schemas['LessonView'];
    suggested: Schemas['SuggestedView'][];
  }
  const page = loaded<Page>();
  const lesson = $derived(page.value?.lesson);
  const suggested = $derived(page.value?.suggested ?? []);

  $effect(() => {
    void load(group, pitch);
  });

  /** The name of a note that is suggested: it comes with the word next. */
  const name = (s: Schemas['SuggestedView']) => s.what.split(' ')[0]!;
  const load = (id: number, p: string) =>
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
                  api.GET('/api/groups/{groupId}/lesson', { params: { path, query: { pitch: p } } })
                )
        };
      },
      ({ suggested: list }) => {
        if (p === 'next')
          navigate(
            `/people/group/${id}/note/${encodeURIComponent(list[0] ? name(list[0]) : 'Bb')}` as '/',
            { replace: true }
          );
      }
    );
  const go = (p: string) => navigate(`/people/group/${group}/note/${encodeURIComponent(p)}` as '/');
  const PITCHES = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
  const shown = (p: string) => {
    const n = read(p);
    return n ? shownName(n, ways.naming) : p;
  };
  /** Why a note is met in this octave, where that needs a word. */
  function octave({ octave: o }: Schemas['LessonRow']) {
    const had = o.had.map((n) => n.shown).join(', ');
    const words: string[] = [];
    if (o.why === 'NEEDED') words.push(`as ${o.piece} brings it`);
    if (o.why === 'MOVED') words.push('in the nearest octave there is');
    if (o.beyond) words.push('beyond what this group plays');
    if (had && (o.why === 'NEEDED' || o.beyond))
      words.push(`in another octave, ${had} is there already`);
    return words.join('; ');
  }
  const offered = $derived([...new Set([...PITCHES, ...suggested.map(name), pitch])]);
</script>

<svelte:head
  ><title>{`${lesson ? `New note ${lesson.shown}: ${lesson.group}` : 'New note'} · Sempre`}</title
  ></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !lesson}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {:else}
    <header>
      <div>
        <h1>Everyone plays {lesson.shown}</h1>
        <p class="quiet">{lesson.group}; concert {lesson.shown}</p>
      </div>
      <div class="how">
        <Select
          size="sm"
          labelText="Concert pitch"
          selected={pitch}
          on:change={(e) => go(String((e.target as HTMLSelectElement).value))}
        >
          {#each offered as p (p)}<SelectItem value={p} text={shown(p)} />{/each}
        </Select>
        <button class="plain link" onclick={() => window.print()}>Print</button>
        <a href="/ear/class/{group}">Playing check</a>
      </div>
    </header>
    {#if suggested.length}
      <p class="next small">
        Needed next:
        {#each suggested as s, i (s.what)}{i ? ' · ' : ''}<button
            class="plain link"
            onclick={() => go(name(s))}>{s.shown}</button
          >
          <span class="quiet">{s.why}</span>{/each}
      </p>
    {/if}
    {#each lesson.rows as r (r.name + r.students.join())}
      <article>
        <div class="who">
          <h2>{r.name}</h2>
          <p>{r.students.join(', ')}</p>
          {#if r.has.length}<p class="small quiet">has it already</p>{/if}
        </div>
        <div class="note">
          <p class="written">{r.shown}</p>
          {#if octave(r)}<p class="small quiet">{octave(r)}</p>{/if}
          <p class="notation">{short(r.fingering).join(' · ')}</p>
        </div>
        <div class="picture">
          <Hands
            keys={r.keys}
            held={r.held}
            kind={r.kind}
            guides={r.guides}
            slideCm={r.slideCm}
            label={r.label}
          />
        </div>
        <div class="words">
          <p class="compared">{r.compared}</p>
          <p><b>Air:</b> {r.air}.</p>
          {#each r.mistakes as m (m.shown + m.why)}
            <p class="small">
              <b>{m.shown}</b> comes out: {m.why}. <i>{m.mend.replace(/\.$/, '')}.</i>
            </p>
          {/each}
          {#if r.caution}<p class="small caution"><b>Care:</b> {r.caution}</p>{/if}
        </div>
      </article>
    {:else}
      <p>Nobody is in this group yet: <a href="/people">set up its students</a>.</p>
    {/each}
    {#each lesson.without as w (w)}<p class="small quiet">{w}</p>{/each}
    <p class="small quiet foot">
      Stop if anything hurts; when dizzy, breathe. Pain, numbness or a cut lip is for a doctor; the
      school’s own rules come first.
    </p>
  {/if}
</div>

<style>
  header {
    display: flex;
    justify-content: space-between;
    gap: 2rem;
    align-items: flex-end;
  }
  .how {
    display: flex;
    gap: 1rem;
    align-items: flex-end;
  }
  .next {
    margin: 0.75rem 0;
  }
  .link {
    text-decoration: underline;
    color: var(--accent) !important;
  }
  article {
    display: grid;
    grid-template-columns: 10rem 6.5rem 19rem minmax(0, 1fr);
    gap: 1.25rem;
    align-items: center;
    padding: 1rem 1.25rem;
    margin-top: -1px;
    background: var(--paper);
    border: 1px solid var(--rule);
    break-inside: avoid;
  }
  .written {
    font-size: 2.5rem;
    font-weight: 300;
    line-height: 1;
  }
  .notation {
    margin-top: 0.375rem;
    color: var(--ink-2);
    letter-spacing: 0.04em;
  }
  .picture {
    display: flex;
    justify-content: center;
  }
  .picture :global(svg) {
    max-width: 100%;
    height: auto;
    max-height: 13rem;
  }
  .words {
    display: flex;
    flex-direction: column;
    gap: 0.375rem;
  }
  .compared {
    font-size: 1.125rem;
  }
  .caution {
    padding: 0.375rem 0.5rem;
    border: 1px solid var(--hard);
    border-radius: 4px;
  }
  .foot {
    margin-top: 1rem;
  }
  @media (max-width: 1000px) {
    article {
      grid-template-columns: 8rem 1fr;
    }
    .words {
      grid-column: 1 / -1;
    }
  }
  @media print {
    .how,
    .next {
      display: none;
    }
    article {
      grid-template-columns: 7rem 5rem 12rem minmax(0, 1fr);
      border-color: #000;
    }
  }
</style>
