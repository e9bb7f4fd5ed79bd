<!-- One line of a tune that is typed, engraved by itself, with the fingering under each note. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { drawing, engrave, type Line } from '../engrave/engrave';
  import { levels, wide } from '../paper/layout';
  import { short } from '../stand/lanes';

  let {
    xml,
    width,
    notes,
    sounds
  }: {
    xml: string;
    /** in px */
    width: number;
    /** by their ids */
    notes: Map<string, Schemas['TypedNote']>;
    /** the note that is heard */
    sounds: string;
  } = $props();

  const SIZE = 11;
  const ROW = 13;
  let lines = $state.raw<{ svg: SVGSVGElement; info: Line }[]>([]);

  $effect(() => {
    if (width < 200) return;
    let found: typeof lines = [];
    return engrave(
      { xml, widthPx: width, scale: 40, wide: false, oneLine: true, passing: true },
      (reply) => {
        found = [...found, ...reply.lines.map(drawing)];
        if (reply.done) lines = found;
      }
    );
  });

  const drawn = $derived(
    lines.map(({ svg, info }) => {
      const items = info.spots
        .filter((s) => notes.has(s.id))
        .map((s) => {
          const rows = short(notes.get(s.id)!.fingering);
          return { id: s.id, x: s.x, rows, width: Math.max(0, ...rows.map(wide)) * SIZE };
        });
      const on = levels(items, 2);
      const texts = items.map((t, i) => ({ ...t, level: on[i]! }));
      return { svg, info, texts, deep: Math.max(0, ...on) + 1 };
    })
  );
  const put = (svg: SVGSVGElement) => (el: HTMLElement) => el.replaceChildren(svg);
</script>

{#each drawn as line, i (i)}
  <div class="line" style:max-width="{line.info.width}px">
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

<style>
  .line :global(svg) {
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
</style>
