<!--
  Notes that were secure, and shaky, at the end of each week, and how many marks were given in it: a
  picture, and its figures behind it. Of several players it tells the average.
-->
<script lang="ts">
  import { scaleLinear, scaleUtc } from 'd3-scale';
  import { area, curveStepAfter, line } from 'd3-shape';
  import type { Schemas } from '../api/client';
  import { language } from '../words/language';
  import { shortDay, ui } from '../words/ui';

  let { weeks: all, players = 1 }: { weeks: Schemas['Growth'][]; players?: number } = $props();

  const weeks = $derived(
    all.map((w) => ({ ...w, secure: w.secure / players, shaky: w.shaky / players }))
  );
  const figure = (n: number) =>
    players > 1 ? n.toLocaleString(language, { maximumFractionDigits: 1 }) : String(n);

  const HIGH = 150;
  /** the row of marks below */
  const MARKS = 26;
  const [LEFT, RIGHT, TOP, BOTTOM] = [28, 8, 8, 22];
  const DAY = 86_400_000;
  let width = $state(0);
  let open = $state(false);

  /** a week is drawn from its Monday to the next */
  const points = $derived([
    ...weeks.map((w) => ({ ...w, at: new Date(w.monday) })),
    ...weeks.slice(-1).map((w) => ({ ...w, at: new Date(Date.parse(w.monday) + 7 * DAY) }))
  ]);
  type Point = (typeof points)[number];
  const x = $derived(
    scaleUtc()
      .domain([points[0]?.at ?? 0, points[points.length - 1]?.at ?? 1])
      .range([LEFT, Math.max(LEFT + 1, width - RIGHT)])
  );
  const y = $derived(
    scaleLinear()
      .domain([0, Math.max(4, ...weeks.map((w) => w.secure + w.shaky))])
      .nice(4)
      .range([HIGH - BOTTOM, TOP])
  );
  const secure = $derived(
    area<Point>()
      .x((p) => x(p.at))
      .y0(y(0))
      .y1((p) => y(p.secure))
      .curve(curveStepAfter)(points)
  );
  const withShaky = $derived(
    line<Point>()
      .x((p) => x(p.at))
      .y((p) => y(p.secure + p.shaky))
      .curve(curveStepAfter)(points)
  );
  const most = $derived(Math.max(1, ...weeks.map((w) => w.asked)));
  const tall = $derived(
    scaleLinear()
      .domain([0, most])
      .range([0, MARKS - 4])
  );
  const days = $derived(
    weeks.filter((_, i) => i % Math.max(1, Math.ceil((weeks.length * 64) / (width || 1))) === 0)
  );
  const last = $derived(weeks[weeks.length - 1]);
</script>

{#if last && weeks.length > 1}
  <figure bind:clientWidth={width}>
    <figcaption class="small">
      <svg class="key" viewBox="0 0 16 10" aria-hidden="true"
        ><rect class="secure" width="16" height="10" /></svg
      >
      {ui.standing.SECURE}
      <svg class="key" viewBox="0 0 16 10" aria-hidden="true"
        ><path class="shaky" d="M0 5h16" /></svg
      >
      {ui.people.andShaky}
      <svg class="key" viewBox="0 0 16 10" aria-hidden="true"
        ><rect class="asked" x="4" width="8" height="10" /></svg
      >
      {ui.people.marksAWeek(most)}
      {#if players > 1}<span class="quiet">{ui.people.eachOf(players)}</span>{/if}
    </figcaption>
    <svg
      {width}
      height={HIGH + MARKS}
      role="img"
      aria-label={ui.people.weeksSay(figure(last.secure), figure(last.shaky), players)}
    >
      {#each y.ticks(4) as t (t)}
        <line class="rule" x1={LEFT} x2={width - RIGHT} y1={y(t)} y2={y(t)} />
        <text class="at" x={LEFT - 6} y={y(t) + 4} text-anchor="end">{t}</text>
      {/each}
      <path class="secure" d={secure} />
      <path class="shaky" d={withShaky} />
      {#each days as w (w.monday)}
        <text class="at" x={x(new Date(w.monday))} y={HIGH - 6}>{shortDay(w.monday)}</text>
      {/each}
      {#each points.slice(0, -1) as w, i (w.monday)}
        {@const from = x(w.at) + 1}
        <rect
          class="asked"
          x={from}
          width={Math.max(1, x(points[i + 1]!.at) - from - 1)}
          y={HIGH + MARKS - tall(w.asked)}
          height={tall(w.asked)}
        />
      {/each}
    </svg>
    <details bind:open>
      <summary class="small">{ui.people.asFigures}</summary>
      {#if open}<table class="rows sheet">
          <thead>
            <tr
              ><th scope="col">{ui.people.weekOf}</th><th scope="col">{ui.standing.SECURE}</th><th
                scope="col">{ui.standing.SHAKY}</th
              ><th scope="col">{ui.people.marks}</th></tr
            >
          </thead>
          <tbody>
            {#each weeks as w (w.monday)}
              <tr
                ><td>{shortDay(w.monday)}</td><td>{figure(w.secure)}</td><td>{figure(w.shaky)}</td
                ><td>{w.asked}</td></tr
              >
            {/each}
          </tbody>
        </table>{/if}
    </details>
  </figure>
{/if}

<style>
  figure {
    margin: 0.5rem 0 1rem;
    max-width: 44rem;
  }
  figure > svg {
    display: block;
    background: var(--paper);
  }
  figcaption {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 0.375rem;
    margin-bottom: 0.25rem;
  }
  .key {
    width: 1rem;
    height: 0.625rem;
    margin-left: 0.5rem;
  }
  .secure {
    fill: color-mix(in srgb, var(--hand) 55%, var(--paper));
  }
  .shaky {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
    stroke-dasharray: 4 3;
  }
  .asked {
    fill: var(--ink-2);
    opacity: 0.5;
  }
  .rule {
    stroke: var(--rule);
  }
  .at {
    font-size: 11px;
    fill: var(--ink-2);
  }
  details {
    margin-top: 0.25rem;
  }
  @media print {
    details:not([open]) {
      display: none;
    }
  }
  summary {
    cursor: pointer;
    color: var(--accent);
  }
</style>
