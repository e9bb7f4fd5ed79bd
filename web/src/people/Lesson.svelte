<!-- One concert pitch for the whole group on one page: to show on a projector and to print. -->
<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import Hands from '../notes/Hands.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { navigate, route } from '../router';
  import { short } from '../stand/lanes';

  const group = $derived(Number(route.params.group));
  const pitch = $derived(decodeURIComponent(route.params.pitch ?? 'Bb4'));
  let lesson = $state.raw<Schemas['LessonView']>();
  let suggested = $state.raw<Schemas['SuggestedView'][]>([]);
  let problem = $state('');

  $effect(() => {
    load(group, pitch);
  });

  async function load(id: number, p: string) {
    problem = '';
    const path = { groupId: id };
    try {
      suggested = await asked(
        api.GET('/api/groups/{groupId}/checks/suggested', { params: { path } })
      );
      // without a pitch: the one that most need next
      if (p === 'next') {
        navigate(
          `/people/group/${id}/note/${encodeURIComponent(suggested[0]?.what ?? 'Bb4')}` as '/',
          { replace: true }
        );
        return;
      }
      lesson = await asked(
        api.GET('/api/groups/{groupId}/lesson', { params: { path, query: { pitch: p } } })
      );
    } catch (e) {
      problem = sentence(e);
    }
  }
  const go = (p: string) => navigate(`/people/group/${group}/note/${encodeURIComponent(p)}` as '/');
  const PITCHES = ['C4', 'Db4', 'D4', 'Eb4', 'E4', 'F4', 'Gb4', 'G4', 'Ab4', 'A4', 'Bb4', 'B4'];
  const shown = (p: string) => p.replace(/\d/, '').replace('b', '♭').replace('#', '♯');
  const offered = $derived([...new Set([...PITCHES, ...suggested.map((s) => s.what), pitch])]);
</script>

<div class="page">
  {#if problem}<Trouble text={problem} again={() => load(group, pitch)} />{/if}
  {#if !lesson}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {:else}
    <header>
      <div>
        <h1>Everyone plays {lesson.shown}</h1>
        <p class="quiet">{lesson.group}; {lesson.shown} as it sounds</p>
      </div>
      <div class="how">
        <Select
          size="sm"
          labelText="As it sounds"
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
            onclick={() => go(s.what)}>{s.words}</button
          >
          <span class="quiet">{s.why.replace(/ needs? it next/, '')}</span>{/each}
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
          {#if r.octave}<p class="small quiet">{r.octave}</p>{/if}
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
          <p class="from">{r.from}</p>
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
  .from {
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
