<!-- A part in bits: one is open, with its steps, what catches in it, and the way to its hard notes. -->
<script lang="ts">
  import { Checkbox, NumberInput, SkeletonText } from 'carbon-components-svelte';
  import { onDestroy, tick, untrack } from 'svelte';
  import { api, asked, refusal, type Schemas } from '../api/client';
  import { mark } from '../ear/pending';
  import { Queue } from '../ear/queue.svelte';
  import { sendRun, type Run } from '../ear/senders';
  import { notesXml } from '../engrave/notes';
  import { pageKeys, pressing } from '../lib/keys.svelte';
  import { door } from '../lib/door.svelte';
  import { loaded, sentence } from '../lib/load.svelte';
  import FingeredLine from '../parts/FingeredLine.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import { Playback } from '../stand/playback.svelte';
  import { letter } from '../stand/lanes';
  import type { Timeline } from '../stand/timeline';
  import { ui } from '../words/ui';
  import { bitNotes, fetched, metronome, ownNotes, STEPS, type Step } from './bits';
  import Anywhere from './Anywhere.svelte';
  import Ladder from './Ladder.svelte';
  import PieceHead from './PieceHead.svelte';
  import { asWritten, evenly } from './loops';
  import { begun, ended, keep, someNumber, type Sitting } from './starts';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const page = loaded<[Schemas['StandView'], Schemas['PracticeView']]>();
  const stand = $derived(page.value?.[0]);
  const view = $derived(page.value?.[1]);
  const bits = $derived(view?.bits ?? []);
  let open = $state(0);
  const bit = $derived(bits[open]);
  /** percent of the tempo, as it was set here; else where the bit is to begin */
  let set = $state<Record<number, number>>({});
  /** how far each bit is, after the last run */
  let ladders = $state.raw<Schemas['LadderView'][]>([]);
  const ladder = $derived(ladders[open]);
  const changes = door();
  /** dice, as they were thrown for this student */
  const thrown = loaded<Schemas['StartsView']>();
  /** runs on their way; what finds no answer waits, also over a closed tab */
  let queue = $state.raw<Queue<Run, Schemas['LadderView'][]>>();
  const problem = $derived(
    changes.problem ||
      thrown.problem ||
      queue?.refused.at(-1)?.because ||
      (queue?.problem && ui.ear.waits(queue.problem)) ||
      ''
  );
  let clicks = $state(false);
  let width = $state(0);
  const play = new Playback();
  /** what goes round: a step, a round, the way to a note */
  let going = $state('');
  let last = $state('rhythm');

  $effect(() => {
    const [who, what] = [student, piece];
    open = 0;
    set = {};
    ladders = [];
    cut = undefined;
    untrack(() => {
      changes.next();
      thrown.drop();
    });
    sitting = begun(who, what);
    void page.ask(
      () => fetched(who, what),
      // what is given comes first
      ([s, p]) => {
        ladders = p.bits.map((b) => b.ladder);
        const wanted = Number(new URLSearchParams(location.search).get('bit')) - 1;
        if (wanted >= 0) return void choose(wanted);
        const from = s.given[0]?.from ?? 0;
        const at = p.bits.findIndex((b) =>
          b.notes.some((id) => (s.plan.notes.find((n) => n.id === id)?.bar ?? -1) >= from)
        );
        if (at > 0) void choose(at);
      }
    );
  });
  onDestroy(() => play.stop());

  const byId = $derived(new Map(stand?.plan.notes.map((n) => [n.id, n])));
  const played = (b: Schemas['BitView']) => bitNotes(b, byId);
  /** quarters a minute, as marked */
  const marked = $derived(60 / (byId.get(bit?.notes[0] ?? '')?.quarter ?? 1));
  /** of the tempo; the ladder's, unless it was set here */
  const percent = $derived(set[open] ?? (ladder ? (100 * ladder.now) / marked : 75));
  const signOf = (b: Schemas['BitView']) => (quarters: number) => {
    const own = byId.get(b.notes[0] ?? '');
    return own && stand ? metronome(own, stand.times, (quarters * own.quarter) / 0.6) : '';
  };
  /** beats a minute at which it is played now */
  const beatOf = (n: { bar: number; quarter: number }) =>
    Math.round((60 / (stand?.times[n.bar]?.beat ?? n.quarter)) * (percent / 100));
  const both = $derived(last === 'join' && open < bits.length - 1);

  /** How far each bit is now; a step up has a tempo of its own. */
  function climbed(now: Schemas['LadderView'][]) {
    if (ladders[open]?.now !== now[open]?.now) {
      set = Object.fromEntries(Object.entries(set).filter(([i]) => Number(i) !== open));
      play.stop();
    }
    ladders = now;
  }
  /** starts anywhere, while one sits down to them */
  let sitting = $state.raw<Sitting>();
  /** the place that is played now */
  let cut = $state.raw<Schemas['CutView']>();
  /** @param propose whether nobody has said a number */
  function draw(seed: number, propose: boolean) {
    const wanted = { ...params, query: { seed, propose } };
    return thrown.ask(
      () => asked(api.GET('/api/stand/{studentId}/{pieceId}/starts', { params: wanted })),
      (starts) => sit({ starts, results: [] })
    );
  }
  function sit(to: Sitting | undefined) {
    sitting = to;
    cut = undefined;
    keep(student, piece, to);
  }
  /** Sits down, then the next place. */
  async function dice() {
    if (!sitting) await draw(someNumber(), true);
    else if (!cut && !ended(sitting)) {
      const next = sitting.starts.order[sitting.results.length];
      if (next !== undefined) startAt(sitting.starts.cuts[next]!);
    }
  }
  function startAt(c: Schemas['CutView']) {
    play.stop();
    void choose(c.bit);
    cut = c;
    last = 'cut';
  }
  const cutNotes = (c: Schemas['CutView']) => {
    const all = stand?.plan.notes ?? [];
    const at = (id: string) => all.findIndex((n) => n.id === id);
    return all.slice(at(c.first), at(c.last) + 1);
  };
  /** of a bit what is to be played */
  const meant = <N extends { id: string }>(own: N[]) => {
    if (!cut) return own;
    const ids = new Set(cutNotes(cut).map((n) => n.id));
    return own.filter((n) => ids.has(n.id));
  };
  const cutEnd = (c: Schemas['CutView']) => byId.get(c.last)?.barNumber ?? '';

  const params = $derived({ path: { studentId: student, pieceId: piece } });
  $effect(() => {
    const path = { studentId: student, pieceId: piece };
    const own = new Queue<Run, Schemas['LadderView'][]>(
      `runs-${path.studentId}-${path.pieceId}`,
      (played) => sendRun(path.studentId, path.pieceId, played),
      (_, now) => climbed(now),
      refusal,
      sentence
    );
    queue = own;
    untrack(() => void own.flush());
    return () => own.stop();
  });
  /** What was played last is written down: the bit, or both where the next was joined to it. */
  function run(clean: boolean) {
    const first = cut?.first ?? bit?.notes[0];
    const to = cut?.last ?? (both ? bits[open + 1] : bit)?.notes.at(-1);
    if (!first || !to || !ladder || !queue) return;
    const quarters = set[open] === undefined ? ladder.now : Math.round((marked * percent) / 100);
    queue.add({ first, last: to, quarters, clean, mark: mark() });
    if (cut && sitting) sit({ ...sitting, results: [...sitting.results, clean] });
    void queue.flush();
  }
  /** What waits is taken back here; what is written down, there. */
  async function takeBack(id: number) {
    const own = queue;
    const last = own?.waiting.at(-1);
    if (last && own?.take(last)) return;
    const path = { ...params.path, runId: id };
    await changes.change(async () => {
      await own?.flush();
      return asked(
        api.DELETE('/api/stand/{studentId}/{pieceId}/runs/{runId}', { params: { path } })
      );
    }, climbed);
  }

  const steps = $derived(STEPS.filter((s) => s !== 'join' || open < bits.length - 1));

  function start(key: string, line: Timeline, speed = 1, mute = false) {
    const again = play.playing && going === key;
    play.stop();
    if (again) return;
    going = last = key;
    play.start(line, {
      speed,
      metronome: clicks || mute,
      written: false,
      loop: true,
      mute
    });
  }
  function step(s: Step) {
    if (!bit || !stand || !steps.includes(s)) return;
    const own = played(bit);
    if (s === 'names' || s === 'fingers') return start(s, evenly(own), 1, true);
    if (s === 'pitches') return start(s, evenly(own));
    const next = bits[open + 1];
    const notes = s === 'join' && next ? [...ownNotes(bit, byId), ...played(next)] : own;
    const landing = s === 'join' ? !!next?.landing : !!bit.landing;
    start(s, asWritten(notes, stand.times, landing), percent / 100);
  }
  function round(c: number, r: number) {
    const { first, last: end } = bit!.catches[c]!.rounds[r]!;
    const own = played(bit!);
    const landing = !!bit!.landing && end === own.length - 1;
    start(
      `catch-${c}-${r}`,
      asWritten(own.slice(first, end + 1), stand!.times, landing),
      percent / 100
    );
  }
  function way(i: number) {
    const notes = bit!.led[i]!.steps.map((s, n) => ({
      ...s,
      id: `led-${i}-${n}`,
      at: n,
      seconds: 1
    }));
    start(`led-${i}`, evenly(notes));
  }
  function again() {
    if (cut && stand) return start('cut', asWritten(cutNotes(cut), stand.times), percent / 100);
    const [kind, a = '0', b = '0'] = last.split('-');
    if (kind === 'catch' && bit?.catches[Number(a)]?.rounds[Number(b)])
      return round(Number(a), Number(b));
    if (kind === 'led' && bit?.led[Number(a)]) return way(Number(a));
    step(STEPS.includes(kind as Step) && steps.includes(kind as Step) ? (kind as Step) : 'rhythm');
  }
  /** One note more around what catches; from the whole bit back to the two notes. */
  function more() {
    const [kind, a = '0', b = '-1'] = last.split('-');
    const c = kind === 'catch' ? Number(a) : 0;
    const rounds = bit?.catches[c]?.rounds.length;
    if (!rounds) return;
    play.stop();
    round(c, (kind === 'catch' ? Number(b) + 1 : 0) % rounds);
  }
  async function choose(i: number) {
    if (i < 0 || i >= bits.length) return;
    // who opens a bit plays that, and no other place
    cut = undefined;
    if (i === open) return;
    play.stop();
    open = i;
    last = 'rhythm';
    await tick();
    document.getElementById(`bit-${i}`)?.scrollIntoView({ block: 'nearest' });
  }
  function faster(by: number) {
    set = { ...set, [open]: Math.max(20, Math.min(120, Math.round(percent) + by)) };
    play.stop();
  }

  const bars = (b: Schemas['BitView']) => ui.practice.bars(b.fromBar, b.toBar);
  const label = (s: Step) =>
    s === 'join'
      ? ui.practice.join(open + 2)
      : s === 'fingers'
        ? ui.practice.silent[stand?.kind ?? 'HANDS']
        : ui.practice.step[s];
  const what = (s: Step) =>
    s === 'fingers' ? ui.practice.silentWhat[stand?.kind ?? 'HANDS'] : ui.practice.what[s];

  const here = () => !!bit;
  pageKeys(ui.practice.title, [
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.practice.keyBit,
      when: here,
      act: (key) => void choose(open + (key === 'ArrowDown' ? 1 : -1))
    },
    {
      on: ['1', '2', '3', '4', '5'],
      shown: '1 … 5',
      words: ui.practice.keyStep,
      when: here,
      act: (key) => {
        const s = STEPS[Number(key) - 1];
        if (s) step(s);
      }
    },
    {
      on: ['c', 'm'],
      words: ui.practice.ladder.keyRun,
      when: () => !!ladder,
      act: (key) => run(key === 'c')
    },
    {
      on: 'z',
      words: ui.practice.ladder.keyBack,
      when: () => !!ladder?.runs.length,
      act: () => void takeBack(ladder!.runs.at(-1)!.id)
    },
    { on: 'n', words: ui.practice.keyMore, when: () => !!bit?.catches.length, act: more },
    {
      on: ' ',
      words: ui.keys.playStop,
      when: here,
      act: (_, e) => !pressing(e) && (play.playing ? play.stop() : again())
    },
    {
      on: ['+', '-'],
      words: ui.practice.keyTempo,
      when: here,
      act: (key) => faster(key === '+' ? 5 : -5)
    },
    {
      on: 'p',
      words: ui.practice.paper,
      when: here,
      act: () => visit(`/practice/${student}/${piece}/paper`)
    },
    { on: 'd', words: ui.practice.anywhere.key, when: here, act: () => void dice() },
    {
      on: 'e',
      words: ui.material.link,
      when: here,
      act: () => visit(`/practice/${student}/${piece}/material`)
    },
    {
      on: ['s', 'Escape'],
      words: ui.paper.onStand,
      act: () => visit(`/stand/${student}/${piece}`)
    }
  ]);
</script>

<svelte:head
  ><title>{ui.practice.page(view ? `: ${view.piece.title}, ${view.student.name}` : '')}</title
  ></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if problem}<Trouble text={problem} />{/if}
  {#if view && stand}
    <PieceHead
      title={ui.practice.of(view.piece.title)}
      student={view.student}
      instrument={stand.student.playsInside}
    >
      <a href="/stand/{student}/{piece}">{ui.paper.onStand}</a>
      {#if bits.length && !sitting}
        <button class="plain anywhere" onclick={() => void dice()}
          >{ui.practice.anywhere.title} <kbd>d</kbd></button
        >
      {/if}
      <a href="/practice/{student}/{piece}/material">{ui.material.link} <kbd>e</kbd></a>
      <a href="/practice/{student}/{piece}/paper">{ui.practice.paper} <kbd>p</kbd></a>
    </PieceHead>
    {#if bits.length}
      <p class="lead">
        {#each stand.given as g (g.assignmentId)}
          {[ui.stand.forDue(g.dueWords), g.what].filter(Boolean).join(': ')}.
        {/each}
        {ui.practice.lead(bits.length)}
      </p>
      {#if view.caution}<p class="caution">{view.caution}</p>{/if}
      {#if sitting}
        <Anywhere
          {sitting}
          {cut}
          to={cutEnd}
          onnumber={(seed) => void draw(seed, false)}
          onthrow={() => void dice()}
          oncut={startAt}
          onend={() => sit(undefined)}
        />
      {/if}
      <ol class="bits">
        {#each bits as b, i (b.notes[0])}
          {@const own = played(b)}
          <li class:open={i === open} id="bit-{i}">
            <button class="plain head" aria-expanded={i === open} onclick={() => choose(i)}>
              <b class="number">{i + 1}</b>
              <span>{bars(b)}</span>
              <span class="quiet small">{ui.practice.end[b.end]}</span>
              {#if i !== open && b.catches.length}
                <span class="small catches"
                  >{ui.practice.catchesIn(b.catches.map((c) => c.shown).join(', '))}</span
                >
              {/if}
              {#if i !== open && ladders[i]?.runs.length}
                <span class="small quiet"
                  >{ui.practice.ladder.short(
                    ladders[i].secured ? signOf(b)(ladders[i].secured) : '',
                    ladders[i].plateau.length > 0
                  )}</span
                >
              {/if}
              {#if i !== open && b.led.length}
                <span class="small quiet"
                  >{ui.practice.newIn(b.led.map((l) => l.shown).join(', '))}</span
                >
              {/if}
            </button>
            <div class="music" bind:clientWidth={width}>
              <FingeredLine
                xml={b.xml}
                width={Math.floor(width)}
                notes={new Map(own.map((n) => [n.id, n]))}
                own={new Set((i === open ? meant(own) : own).flatMap((n) => [n.id, ...n.tied]))}
                meanwhile={own.map((n) => letter(n.shown)).join(' ')}
                sounds={i === open || going === 'join' ? play.note : ''}
              />
            </div>
            {#if i === open}
              <div class="work">
                <ol class="steps" aria-label={ui.practice.steps}>
                  {#each steps as s, n (s)}
                    <li>
                      <button
                        class="plain go"
                        aria-pressed={play.playing && going === s}
                        onclick={() => step(s)}
                        ><kbd>{n + 1}</kbd>
                        {label(s)}</button
                      >
                      <span class="quiet small">{what(s)}</span>
                    </li>
                  {/each}
                </ol>
                <div class="tempo">
                  <NumberInput
                    size="sm"
                    labelText={ui.practice.tempo(metronome(own[0]!, stand.times, percent))}
                    helperText={ladder?.runs.length ? '' : ui.practice.begin(b.startPercent)}
                    translateWithId={(id) => (id === 'increment' ? ui.all.more : ui.all.less)}
                    invalidText={ui.stand.tempoHint}
                    min={20}
                    max={120}
                    step={5}
                    value={Math.round(percent)}
                    on:change={(e) => {
                      if (e.detail !== null && e.detail >= 20 && e.detail <= 120) {
                        set = { ...set, [open]: e.detail };
                        play.stop();
                      }
                    }}
                  />
                  <Checkbox
                    labelText={ui.stand.metronome}
                    bind:checked={clicks}
                    on:check={() => play.stop()}
                  />
                  <a href="/practice/{student}/{piece}/material?bit={i + 1}"
                    >{ui.material.inOtherWays}</a
                  >
                  <a href="/tools?tempo={beatOf(own[0]!)}">{ui.tools.title}</a>
                  <a href="/practice/{student}/{piece}/tuner">{ui.tuner.title}</a>
                </div>
                {#if ladder}
                  <Ladder
                    {ladder}
                    {both}
                    onnext={sitting && !cut && !ended(sitting) ? () => void dice() : undefined}
                    cut={cut ? ui.practice.anywhere.from(cut.bar, cutEnd(cut)) : ''}
                    tempo={signOf(b)}
                    sign={metronome(own[0]!, stand.times, percent)}
                    material="/practice/{student}/{piece}/material?bit={i + 1}"
                    stand="/stand/{student}/{piece}"
                    onrun={run}
                    onback={(id) => void takeBack(id)}
                    onround={() => b.catches.length && round(0, 0)}
                    onslower={() => faster(-10)}
                  />
                {/if}
                {#each b.catches as c, k (c.fromId)}
                  <section class="catch">
                    <h2>{ui.practice.catches(c.shown)}</h2>
                    <p class="small">{c.sentence} {k === 0 ? ui.practice.rounds : ''}</p>
                    <div class="rounds" role="group" aria-label={ui.practice.roundsOf(c.shown)}>
                      {#each c.rounds as r, n (n)}
                        {@const size = r.last - r.first + 1}
                        <button
                          class="plain go"
                          aria-pressed={play.playing && going === `catch-${k}-${n}`}
                          onclick={() => round(k, n)}
                          ><span
                            >{size === own.length
                              ? ui.practice.whole
                              : ui.practice.notes(size)}</span
                          >
                          {#if n === 0 && k === 0}<kbd>n</kbd>{/if}</button
                        >
                      {/each}
                    </div>
                  </section>
                {/each}
                {#each b.joins as j (j.fromId)}
                  <section class="catch">
                    <h2>{ui.practice.joins(j.shown)}</h2>
                    <p class="small">{j.sentence}</p>
                  </section>
                {/each}
                {#each b.led as l, k (l.noteId)}
                  <section class="led">
                    <div>
                      <h2>{ui.practice.ledTo(l.shown)}</h2>
                      <p class="small">{ui.practice.ledHow}</p>
                      <button
                        class="plain go"
                        aria-pressed={play.playing && going === `led-${k}`}
                        onclick={() => way(k)}>{ui.practice.playWay}</button
                      >
                    </div>
                    <div class="way">
                      <FingeredLine
                        xml={notesXml(
                          l.steps.map((s, n) => ({ id: `led-${k}-${n}`, pitch: s.written })),
                          view.clef
                        )}
                        width={300}
                        notes={new Map(l.steps.map((s, n) => [`led-${k}-${n}`, s]))}
                        sounds={play.note}
                      />
                    </div>
                  </section>
                {/each}
              </div>
            {/if}
          </li>
        {/each}
      </ol>
    {:else}
      <p>{ui.practice.nothing}</p>
    {/if}
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  .lead {
    max-width: 44rem;
  }
  .caution {
    max-width: 44rem;
    margin-top: 0.5rem;
    padding-left: 0.75rem;
    border-left: 3px solid var(--hard);
  }
  .bits {
    list-style: none;
    margin: 1rem 0 0;
    padding: 0;
  }
  .bits > li {
    scroll-margin-top: 10rem;
    margin-bottom: 0.75rem;
    padding: 0.25rem 1rem 0.5rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    border-left-width: 3px;
  }
  .bits > li.open {
    border-left-color: var(--accent);
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.125rem 0.875rem;
    width: 100%;
    min-height: var(--target);
    text-align: left;
    color: inherit;
  }
  .number {
    min-width: 1.25rem;
    font-size: 1.25rem;
  }
  .catches {
    color: var(--hard);
  }
  .work {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 13rem;
    gap: 0.75rem 2rem;
    padding: 0.5rem 0 0.5rem;
    border-top: 1px solid var(--rule);
  }
  .anywhere {
    min-height: var(--target);
    color: var(--accent);
    text-decoration: underline;
  }
  .steps {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .steps li {
    display: grid;
    grid-template-columns: 13rem minmax(0, 1fr);
    gap: 0 1rem;
    align-items: center;
  }
  .go {
    min-height: var(--target);
    padding: 0 0.5rem;
    text-align: left;
    color: var(--accent);
  }
  .go[aria-pressed='true'] {
    background: var(--accent-soft);
    font-weight: 600;
  }
  .tempo {
    display: flex;
    flex-direction: column;
    gap: 0.5rem;
  }
  .catch,
  .led {
    grid-column: 1 / -1;
    padding-top: 0.5rem;
    border-top: 1px solid var(--rule);
  }
  h2 {
    font-size: 1rem;
  }
  .rounds kbd {
    margin-left: 0.375rem;
  }
  .rounds {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 0.5rem;
  }
  .led {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 2rem;
  }
  .way {
    width: 300px;
    max-width: 100%;
  }
  @media (max-width: 700px) {
    .bits > li {
      padding: 0.25rem 0.75rem 0.5rem;
    }
    .work {
      grid-template-columns: minmax(0, 1fr);
    }
    .steps li {
      grid-template-columns: minmax(0, 1fr);
      padding-bottom: 0.375rem;
    }
  }
</style>
