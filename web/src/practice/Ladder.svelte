<!-- How far a bit is on its way to its tempo: runs are marked here, the next step, the day, a plot. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { shortDay, ui } from '../words/ui';
  import { log, plot } from './ladder';

  let {
    ladder,
    tempo,
    sign,
    both,
    cut,
    material,
    stand,
    onrun,
    onback,
    onround,
    onslower,
    onnext
  }: {
    ladder: Schemas['LadderView'];
    /** a tempo as a metronome shows it */
    tempo: (quarters: number) => string;
    /** the tempo that is played now */
    sign: string;
    /** whether two bits are played on end */
    both: boolean;
    /** what is played where it is no whole bit, or empty */
    cut: string;
    /** address of this bit in other ways */
    material: string;
    /** address of the part */
    stand: string;
    onrun: (clean: boolean) => void;
    onback: (id: number) => void;
    onround: () => void;
    onslower: () => void;
    /** the next place to start at, where one is due */
    onnext: (() => void) | undefined;
  } = $props();

  const words = ui.practice.ladder;
  const there = $derived(ladder.secured >= ladder.full);
  const last = $derived(ladder.runs.at(-1));
  const goal = $derived(Math.round(ladder.full * 0.75));
  const WIDTH = 300;
  const HEIGHT = 90;
  const drawn = $derived(plot(ladder, goal, WIDTH, HEIGHT));
  const days = $derived(log(ladder));
  /** the figure of a tempo alone */
  const beat = (quarters: number) => tempo(quarters).replace(/^.*= /, '');
  const plateau = $derived(ladder.plateau[0]);
</script>

<section class="ladder">
  <div>
    <h2>{words.title}</h2>
    <p>
      {#if there}{words.there(tempo(ladder.full))}
      {:else if ladder.secured}{words.secured(tempo(ladder.secured))}
      {/if}
      {#if !there}{words.next(
          tempo(ladder.now),
          tempo(ladder.goal),
          ladder.goal < ladder.full
        )}{/if}
      {#if ladder.expected}{words.expected(tempo(ladder.full), ladder.expected)}{/if}
    </p>
    {#if !there}
      <p class="runs" aria-label={words.count(ladder.clean, ladder.needed)}>
        {#each Array.from({ length: ladder.needed }, (_, n) => n) as i (i)}<i
            class:clean={i < ladder.clean}
          ></i>{/each}
        <span class="small">{words.count(ladder.clean, ladder.needed)}</span>
      </p>
    {/if}
    <div class="mark">
      <button class="plain go" onclick={() => onrun(true)}><kbd>c</kbd> {words.clean}</button>
      <button class="plain go" onclick={() => onrun(false)}><kbd>m</kbd> {words.missed}</button>
      {#if onnext}
        <button class="plain go" onclick={onnext}><kbd>d</kbd> {ui.practice.anywhere.throw}</button>
      {/if}
      <span class="quiet small"
        >{cut ? words.atCut(cut, sign) : both ? words.atBoth(sign) : words.at(sign)}</span
      >
    </div>
    {#if last}
      <p class="small quiet">
        {words.last(tempo(last.quarters), last.clean, last.ago)}
        <button class="plain back" onclick={() => onback(last.id)}
          >{words.takeBack} <kbd>z</kbd></button
        >
      </p>
    {/if}
    {#if plateau}
      <div class="plateau">
        <p><b>{words.plateau(plateau.since, plateau.days)}</b></p>
        <p>
          {words.another[plateau.another]}
          {#if plateau.fingering}{plateau.fingering}.{/if}
          {#if plateau.another === 'ROUND'}
            <button class="plain go" onclick={onround}>{words.doRound}</button>
          {:else if plateau.another === 'SLOWER'}
            <button class="plain go" onclick={onslower}>{words.doSlower}</button>
          {:else if plateau.another === 'FINGERING'}
            <a href={stand}>{ui.paper.onStand}</a>
          {:else}
            <a href={material}>{ui.material.inOtherWays}</a>
          {/if}
        </p>
      </div>
    {/if}
    {#if days.length}
      <details class="small">
        <summary>{words.log(days.length)}</summary>
        <table class="rows">
          <thead>
            <tr>
              <th>{words.logDay}</th>
              <th>{words.logTempo}</th>
              <th>{words.clean}</th>
              <th>{words.missed}</th>
              <th>{words.logSecured}</th>
            </tr>
          </thead>
          <tbody>
            {#each days as d (d.day)}
              <tr>
                <td>{shortDay(d.day)}</td>
                <td>{tempo(d.from)}{d.to === d.from ? '' : ` … ${beat(d.to)}`}</td>
                <td>{d.clean}</td>
                <td>{d.missed}</td>
                <td>{d.secured ? beat(d.secured) : ''}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      </details>
    {/if}
  </div>
  {#if drawn}
    <svg
      viewBox="-44 -12 {WIDTH + 56} {HEIGHT + 36}"
      role="img"
      aria-label={words.plot(ladder.runs.length, tempo(ladder.secured || ladder.start))}
    >
      {#each drawn.goals as g (g.quarters)}
        <line x1="0" x2={WIDTH} y1={g.y} y2={g.y} class="goal" />
        <text x="-6" y={g.y + 4} text-anchor="end">{beat(g.quarters)}</text>
      {/each}
      {#if drawn.line}<polyline points={drawn.line} class="secured" />{/if}
      {#each drawn.marks as m (`${m.x} ${m.y} ${m.clean}`)}
        {#if m.clean}<circle cx={m.x} cy={m.y} r="3.5" class="clean" />
        {:else}<path d="M{m.x - 3.5} {m.y - 3.5}l7 7m0 -7l-7 7" class="missed" />{/if}
      {/each}
      <text x="0" y={HEIGHT + 20}>{shortDay(drawn.days[0])}</text>
      {#if drawn.days[1] !== drawn.days[0]}
        <text x={WIDTH} y={HEIGHT + 20} text-anchor="end">{shortDay(drawn.days[1])}</text>
      {/if}
    </svg>
  {/if}
</section>

<style>
  .ladder {
    grid-column: 1 / -1;
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 22rem);
    gap: 0.5rem 2rem;
    align-items: start;
    padding-top: 0.5rem;
    border-top: 1px solid var(--rule);
  }
  h2 {
    font-size: 1rem;
  }
  .go {
    min-height: var(--target);
    padding: 0 0.5rem;
    color: var(--accent);
  }
  .back {
    min-height: var(--target);
    color: var(--accent);
  }
  .runs {
    display: flex;
    align-items: center;
    gap: 0.375rem;
    margin-top: 0.25rem;
  }
  .runs i {
    width: 0.75rem;
    height: 0.75rem;
    border: 1.5px solid var(--ink);
    border-radius: 50%;
  }
  .runs i.clean {
    background: var(--ink);
  }
  .mark {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.25rem 0.75rem;
  }
  .mark .go {
    border: 1px solid var(--accent);
  }
  summary {
    min-height: var(--target);
    line-height: var(--target);
    cursor: pointer;
  }
  .plateau {
    margin-top: 0.5rem;
    padding: 0.5rem 0.75rem;
    border-left: 3px solid var(--hard);
    background: var(--desk);
  }
  svg {
    width: 100%;
    max-width: 22rem;
  }
  text {
    font-size: 12px;
    fill: var(--ink-2);
  }
  .goal {
    stroke: var(--rule);
    stroke-dasharray: 4 3;
  }
  .secured {
    fill: none;
    stroke: var(--accent);
    stroke-width: 2;
  }
  .clean {
    fill: var(--accent);
  }
  .missed {
    stroke: var(--hard);
    stroke-width: 2;
    fill: none;
  }
  @media (max-width: 700px) {
    .ladder {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
