<!-- The part of who plays drums: the rhythm, a hand under each stroke, and why it is this one. -->
<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import Play from '../stand/Play.svelte';
  import Score from '../stand/Score.svelte';
  import { ui } from '../words/ui';
  import { asPressed, asStand, lettered } from './drums';

  const studentId = $derived(Number(route.params.student));
  const pieceId = $derived(Number(route.params.piece));
  const page = loaded<Schemas['DrumView']>();
  const changes = door();
  const view = $derived(page.value);
  /** hands that were pressed and are on their way, by stroke: they show at once */
  let pressed = $state.raw<Record<string, 'R' | 'L'>>({});
  const shown = $derived(
    view && { ...view, strokes: view.strokes.map((s) => asPressed(s, pressed[s.id])) }
  );
  const stand = $derived(shown ? asStand(shown) : undefined);
  let chosen = $state('');
  let sounding = $state('');
  let from = $state(0);
  let to = $state(-1);
  let follow = $state(true);
  let player = $state<ReturnType<typeof Play>>();
  const strokes = $derived(shown?.strokes.filter((s) => s.hand) ?? []);
  const at = $derived(strokes.findIndex((s) => s.id === chosen));
  const stroke = $derived(strokes[at]);

  $effect(() => {
    const path = { studentId, pieceId };
    chosen = '';
    untrack(() => {
      // what another part was answered counts no more
      changes.next();
      page.put(undefined);
      pressed = {};
    });
    void page.ask(
      () => asked(api.GET('/api/drums/{studentId}/{pieceId}', { params: { path } })),
      (v) => {
        const given = v.given[0];
        from = given?.from ?? 0;
        to = given?.to ?? -1;
        chosen = v.strokes.find((s) => s.hand)?.id ?? '';
      }
    );
  });

  const params = $derived({ path: { studentId, pieceId } });
  /** another press of the hand that is chosen already changes nothing */
  function stick(hand: 'R' | 'L' | '') {
    const noteId = chosen;
    if (!noteId || (stroke && hand && stroke.said && stroke.hand === hand)) return;
    const to = params;
    pressed = without(pressed, noteId);
    if (hand) pressed = { ...pressed, [noteId]: hand };
    const sent = () => {
      if (pressed[noteId] === hand) pressed = without(pressed, noteId);
    };
    void changes.change(
      () =>
        asked(
          api.PUT('/api/drums/{studentId}/{pieceId}/stick', {
            params: to,
            body: { noteId, hand }
          })
        ),
      (v) => {
        page.put(v);
        sent();
      },
      sent
    );
  }
  const without = (all: typeof pressed, id: string) =>
    Object.fromEntries(Object.entries(all).filter(([k]) => k !== id));
  const read = (partId: string) =>
    changes.change(
      () =>
        asked(api.PUT('/api/drums/{studentId}/{pieceId}/reading', { params, body: { partId } })),
      (v) => {
        page.put(v);
        chosen = v.strokes.find((s) => s.hand)?.id ?? '';
      }
    );
  const go = (by: number) => {
    const next = strokes[Math.max(0, Math.min(at + by, strokes.length - 1))];
    if (next) chosen = next.id;
  };

  pageKeys(ui.drums.title, [
    {
      on: ['ArrowLeft', 'ArrowRight'],
      words: ui.drums.keys,
      when: () => strokes.length > 0,
      act: (key) => go(key === 'ArrowRight' ? 1 : -1)
    },
    {
      on: ['r', 'l'],
      words: ui.drums.handKeys,
      when: () => !!stroke,
      act: (key) => stick(key === 'r' ? 'R' : 'L')
    },
    { on: ' ', words: ui.stand.play, when: () => !!player, act: () => player!.toggle() }
  ]);
</script>

<svelte:head
  ><title>{view ? `${view.piece.title}, ${view.student.name}` : ui.drums.title}</title></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !view || !stand}
    {#if !page.problem}<SkeletonText heading /><SkeletonText paragraph lines={8} />{/if}
  {:else}
    <header>
      <div>
        <h1>{view.piece.title}</h1>
        <p class="quiet">
          <a href="/people/{view.student.id}">{view.student.name}</a>, {view.student.playsInside} ·
          {view.part}
        </p>
      </div>
      {#if view.parts.length > 1}
        <Select
          size="sm"
          labelText={ui.stand.reads}
          selected={view.partId}
          on:change={(e) => void read(String((e.target as HTMLSelectElement).value))}
        >
          {#each view.parts as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
        </Select>
      {/if}
      <Play
        bind:this={player}
        notes={stand.plan.notes}
        bars={view.bars}
        times={view.times}
        played={view.played}
        bind:from
        bind:to
        bind:follow
        tempo={view.given[0]?.tempo ?? 0}
        transposes={false}
        bind:sounding
        drums
      />
      <a href="/drums/{studentId}/{pieceId}/sheet">{ui.drums.print}</a>
    </header>
    {#each view.given as g (g.assignmentId)}
      <p class="small">
        <a href="/parts/{g.assignmentId}"
          >{[ui.stand.forDue(g.dueWords), g.what].filter(Boolean).join(': ')}</a
        >{g.message ? `. ${g.message}` : '.'}
      </p>
    {/each}
    {#if changes.problem}<Trouble text={changes.problem} />{/if}
    <div class="desk">
      <div class="paper">
        <Score
          xml={view.xml}
          plan={stand.plan}
          large
          lanes={[]}
          guides={[]}
          chosen={sounding || chosen}
          onchoose={(id) => {
            if (strokes.some((s) => s.id === id)) chosen = id;
          }}
          label={view.part}
          playing={!!sounding}
          {follow}
        />
      </div>
      <aside aria-label={ui.drums.why}>
        <p class="quiet">{view.sticking}</p>
        {#if stroke}
          <h2>{ui.stand.barBeat(stroke.barNumber, Math.round(stroke.beat * 100) / 100)}</h2>
          <p class="hand">
            {lettered(stroke.text, ui.drums.letters)}
            <span>{ui.drums.hands[stroke.hand as 'R' | 'L']}</span>
          </p>
          <p>{stroke.why}</p>
          <div class="do">
            <button class="plain" aria-pressed={stroke.hand === 'R'} onclick={() => stick('R')}
              >{ui.drums.hands.R} <kbd>r</kbd></button
            >
            <button class="plain" aria-pressed={stroke.hand === 'L'} onclick={() => stick('L')}
              >{ui.drums.hands.L} <kbd>l</kbd></button
            >
            {#if stroke.said}
              <button class="plain link" onclick={() => stick('')}>{ui.drums.letGo}</button>
            {/if}
          </div>
        {/if}
      </aside>
    </div>
  {/if}
</div>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 0.5rem 2rem;
    margin-bottom: 0.5rem;
  }
  header > div:first-child {
    margin-right: auto;
  }
  .desk {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 17rem;
    gap: 1.5rem;
    margin-top: 0.75rem;
  }
  aside h2 {
    margin-top: 1rem;
  }
  .hand {
    font-size: 2.5rem;
    line-height: 1.2;
  }
  .hand span {
    font-size: 1rem;
  }
  .do {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 0.75rem;
  }
  .do button:not(.link) {
    min-height: 2.75rem;
    padding: 0 0.875rem;
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--paper);
  }
  .do button[aria-pressed='true'] {
    border-color: var(--accent);
    background: var(--accent-soft);
  }
  @media (max-width: 1000px) {
    .desk {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
