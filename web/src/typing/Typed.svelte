<!-- One tune that is typed: engraved, with the fingering under each note; and what can't be read. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { drawing, engrave, type Line } from '../engrave/engrave';
  import { levels, wide } from '../paper/layout';
  import { short } from '../stand/lanes';
  import { ui } from '../words/ui';

  let {
    tune,
    sounds,
    onproblem
  }: {
    tune: Schemas['TypedTune'];
    /** the note that is heard */
    sounds: string;
    onproblem: (problem: Schemas['TypedProblem']) => void;
  } = $props();

  const SIZE = 11;
  const ROW = 13;
  let width = $state(0);
  let lines = $state.raw<{ svg: SVGSVGElement; info: Line }[]>([]);

  $effect(() => {
    const w = Math.floor(width);
    if (w < 200) return;
    let found: typeof lines = [];
    return engrave({ xml: tune.xml, widthPx: w, scale: 40, wide: false }, (reply) => {
      const more = reply.lines.map(drawing);
      found = reply.first ? more : [...found, ...more];
      lines = found;
    });
  });

  const byId = $derived(new Map(tune.notes.map((n) => [n.id, n])));
  const drawn = $derived(
    lines.map(({ svg, info }) => {
      const items = info.spots
        .filter((s) => byId.has(s.id))
        .map((s) => {
          const rows = short(byId.get(s.id)!.fingering);
          return { id: s.id, x: s.x, rows, width: Math.max(0, ...rows.map(wide)) * SIZE };
        });
      const on = levels(items, 2);
      const texts = items.map((t, i) => ({ ...t, level: on[i]! }));
      return { svg, info, texts, deep: Math.max(0, ...on) + 1 };
    })
  );
  const put = (svg: SVGSVGElement) => (el: HTMLElement) => el.replaceChildren(svg);
</script>

<section>
  {#if tune.number || tune.title}
    <h2>{[tune.number, tune.title].filter(Boolean).join(' · ')}</h2>
  {/if}
  {#if tune.problems.length}
    <ul class="problems" aria-label={ui.typing.problems}>
      {#each tune.problems as p (p.line + '/' + p.column + p.sentence)}
        <li>
          <button class="plain link" onclick={() => onproblem(p)}
            >{ui.typing.at(p.line, p.column)}</button
          >
          {p.sentence}
        </li>
      {/each}
    </ul>
  {/if}
  <div class="music" bind:clientWidth={width} role="img" aria-label={ui.typing.music(tune.bars)}>
    {#each drawn as line, i (i)}
      <div class="line">
        <div {@attach put(line.svg)}></div>
        <svg viewBox="0 0 {line.info.width} {line.deep * 2 * ROW + 8}" aria-hidden="true">
          {#each line.texts as t (t.id)}
            {#if t.id === sounds}
              <rect
                class="sounds"
                x={t.x - 13}
                y="0"
                width="26"
                height={line.deep * 2 * ROW + 6}
                rx="2"
              />
            {/if}
            {#each t.rows as text, r (r)}
              <text x={t.x} y={(t.level * 2 + r + 0.9) * ROW} font-size={SIZE}>{text}</text>
            {/each}
          {/each}
        </svg>
      </div>
    {/each}
  </div>
</section>

<style>
  section {
    margin-top: 1rem;
  }
  h2 {
    font-size: 1rem;
    margin-bottom: 0.25rem;
  }
  .music {
    padding: 0.5rem 0.75rem;
    min-height: 5rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .music svg {
    display: block;
    width: 100%;
  }
  text {
    text-anchor: middle;
    fill: currentcolor;
  }
  .sounds {
    fill: var(--accent-soft);
  }
  .problems {
    list-style: none;
    margin: 0 0 0.5rem;
    padding: 0.375rem 0.75rem;
    border-left: 3px solid var(--hard);
  }
  .problems li {
    padding: 0.125rem 0;
  }
</style>
