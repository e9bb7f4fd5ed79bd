<!-- Some bars engraved by themselves, with the fingering under each note that is told of. -->
<script lang="ts">
  import { drawing, engrave, type Line } from '../engrave/engrave';
  import { levels, wide } from '../paper/layout';
  import { short } from '../stand/lanes';

  let {
    xml,
    width,
    notes,
    sounds = '',
    passing = false,
    size = 11,
    own,
    meanwhile = '',
    onready = () => {}
  }: {
    xml: string;
    /** in px */
    width: number;
    /** by their ids */
    notes: Map<string, { fingering: string }>;
    /** the note that is heard */
    sounds?: string;
    /** whether it is gone with the next letter that is typed, and stands on one line */
    passing?: boolean;
    /** of the fingerings, in px */
    size?: number;
    /** notes that are meant, where others stand in the same bars: those are drawn faintly */
    own?: Set<string>;
    /** what stands there until it is engraved */
    meanwhile?: string;
    /** called when it stands there */
    onready?: () => void;
  } = $props();

  const row = $derived(size + 2);
  let lines = $state.raw<{ svg: SVGSVGElement; info: Line }[]>([]);

  $effect(() => {
    if (width < 200) return;
    let found: typeof lines = [];
    return engrave(
      { xml, widthPx: width, scale: 40, wide: false, oneLine: passing, passing },
      (reply) => {
        found = [...found, ...reply.lines.map(drawing)];
        if (!reply.done) return;
        found.forEach(({ svg }) => faint(svg));
        lines = found;
        onready();
      }
    );
  });

  function faint(svg: SVGSVGElement) {
    const meant = own;
    if (!meant) return;
    svg.querySelectorAll<SVGElement>('g.note').forEach((g) => {
      if (!meant.has(g.getAttribute('data-id') ?? g.id)) g.style.opacity = '0.3';
    });
  }

  const drawn = $derived(
    lines.map(({ svg, info }) => {
      const items = info.spots
        .filter((s) => notes.has(s.id))
        .map((s) => {
          const rows = short(notes.get(s.id)!.fingering);
          return { id: s.id, x: s.x, rows, width: Math.max(0, ...rows.map(wide)) * size };
        });
      const on = levels(items, 2);
      const texts = items.map((t, i) => ({ ...t, level: on[i]! }));
      return { svg, info, texts, deep: Math.max(0, ...on) + 1 };
    })
  );
  const put = (svg: SVGSVGElement) => (el: HTMLElement) => el.replaceChildren(svg);
</script>

{#if !lines.length && meanwhile}<p class="quiet meanwhile">{meanwhile}</p>{/if}
{#each drawn as line, i (i)}
  <div class="line" style:max-width="{line.info.width}px">
    <div {@attach put(line.svg)}></div>
    <svg viewBox="0 0 {line.info.width} {line.deep * 2 * row + 8}" aria-hidden="true">
      {#each line.texts as t (t.id)}
        {#if t.id === sounds}
          <rect
            class="sounds"
            x={t.x - 13}
            y="0"
            width="26"
            height={line.deep * 2 * row + 6}
            rx="2"
          />
        {/if}
        {#each t.rows as text, r (r)}
          <text x={t.x} y={(t.level * 2 + r + 0.9) * row} font-size={size}>{text}</text>
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
  .meanwhile {
    min-height: 7rem;
  }
  text {
    text-anchor: middle;
    fill: currentcolor;
  }
  .sounds {
    fill: var(--accent-soft);
  }
</style>
