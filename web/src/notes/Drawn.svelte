<!--
  A fingering on the instrument as its player sees it, mouthpiece up: what is held is dark. What the
  thumbs work is drawn beside it, as it lies on the back. Seen from the front it is mirrored.
-->
<script lang="ts">
  import { ui } from '../words/ui';
  import { letter, shape, shown } from './drawn';
  import { eyes } from './eyes.svelte';
  import { same, type Held, type Key, type Kind } from './hands';
  import type { Drawing } from './pictures.svelte';

  let {
    drawing,
    keys,
    held,
    kind,
    guides = [],
    slideCm = 0,
    label,
    small = false,
    ontoggle
  }: {
    drawing: Drawing;
    keys: Key[];
    held: Held[];
    kind: Kind;
    guides?: number[];
    slideCm?: number;
    label: string;
    small?: boolean;
    ontoggle?: (key: Key) => void;
  } = $props();

  /** px for a unit of the drawing, where there is room */
  const PX = $derived(kind === 'HANDS' ? 1.4 : 1.5);
  const seen = $derived(shown(drawing, keys));
  const turn = $derived(eyes.facing ? -1 : 1);
  /** without thumb keys there is no back to be shown, and no room for it */
  const frame = $derived.by(() => {
    const { x, y, w, h } = seen.frame;
    const left =
      drawing.behind.length && !seen.behind.length
        ? Math.max(...drawing.behind.map((b) => b.x + b.w))
        : x;
    const width = w - (left - x);
    return { x: turn < 0 ? -(left + width) : left, y, w: width, h };
  });
  const state = (k: Key) => {
    const h = held.find((x) => same(x, k));
    return !h ? 'up' : h.free ? 'free' : h.half ? 'half' : 'down';
  };
  const placed = $derived(
    seen.places.map((p) => ({
      p,
      key: keys.find((k) => k.token === p.token && k.left === p.left)!
    }))
  );
  const far = $derived(guides[guides.length - 1] ?? 1);
  const at = (cm: number) => {
    const t = seen.slide[0]!;
    return t.first + (cm / far) * (t.last - t.first);
  };
  const LETTER = 4.6;

  function press(e: KeyboardEvent, k: Key) {
    if (e.key !== 'Enter' && e.key !== ' ') return;
    e.preventDefault();
    ontoggle?.(k);
  }
</script>

<svg
  viewBox="{frame.x} {frame.y} {frame.w} {frame.h}"
  width={frame.w * PX}
  height={frame.h * PX}
  role={ontoggle ? 'group' : 'img'}
  aria-label={label}
>
  <g transform={turn < 0 ? 'scale(-1 1)' : undefined}>
    {#each seen.behind as b (b.y)}
      <rect class="behind" x={b.x} y={b.y} width={b.w} height={b.h} rx="5" />
    {/each}
    {#each seen.body as b (b.path)}
      <path class={b.form === 'LINE' ? 'line' : 'body'} d={b.path} />
    {/each}
    {#each seen.slide as t (t.y)}
      {@const x = at(slideCm)}
      {#each guides as g (g)}
        <line class="tick" x1={at(g)} x2={at(g)} y1={t.y + 4} y2={t.y + 9} />
      {/each}
      <path
        class="line"
        d="M{x - 32} {t.y - 4}H{x + 38}C{x + 46} {t.y - 4} {x + 46} {t.y + 4} {x + 38} {t.y +
          4}H{x - 32}"
      />
      <rect class="hold" x={x - 2.5} y={t.y - 7} width="5" height="14" rx="2" />
    {/each}
    {#each placed as { p, key } (key.token + key.left)}
      {@const s = state(key)}
      {@const d = shape(p, s === 'down')}
      <g
        transform="translate({p.x} {p.y}) rotate({p.turn})"
        class={s}
        class:touch={ontoggle}
        {...ontoggle
          ? {
              role: 'button',
              tabindex: 0,
              'aria-label': key.name,
              'aria-pressed': s !== 'up',
              onclick: () => ontoggle(key),
              onkeydown: (e: KeyboardEvent) => press(e, key)
            }
          : {}}
      >
        <title>{key.name}</title>
        {#if d.fixed}<path class="fixed" d={d.fixed} />{/if}
        <path class="shape" d={d.face} />
        {#if s === 'half'}<path class="part" d={d.half} />{/if}
        {#if d.fine && s !== 'down' && (small || p.form !== 'ROLLER')}<path
            class="fine"
            d={d.fine}
          />{/if}
      </g>
    {/each}
  </g>
  {#if !small}
    {#each seen.behind as b (b.y)}
      <text class="word" x={turn * (b.x + b.w / 2)} y={b.y - 3}>{ui.notes.thumb}</text>
    {/each}
    {#each seen.slide as t (t.y)}
      {#each guides as g, i (g)}
        <text class="word" x={turn * at(g)} y={t.y + 17}>{i + 1}</text>
      {/each}
    {/each}
  {/if}
  {#each placed as { p, key } (key.token + key.left)}
    {@const word = letter(key.face)}
    {@const piston = p.form === 'PISTON'}
    {#if piston || (!small && p.form !== 'TWIN' && word.length * LETTER <= p.w + 2)}
      <text
        class="on {state(key)}"
        class:piston
        x={turn * p.x}
        style:font-size={piston ? undefined : `${Math.min(8, (p.w / word.length) * 1.5)}px`}
        y={piston ? p.y + p.h / 2 - 7 : p.y + (p.form === 'DROP' ? p.h * 0.24 : 2.8)}>{word}</text
      >
    {/if}
  {/each}
</svg>

<style>
  svg {
    max-width: 100%;
    height: auto;
    display: block;
  }
  .body,
  .fixed {
    fill: color-mix(in srgb, var(--ink) 9%, var(--paper));
    stroke: var(--ink-2);
    stroke-width: 0.7;
    stroke-linejoin: round;
  }
  .line {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 1.6;
    stroke-linecap: round;
  }
  .behind {
    fill: none;
    stroke: var(--rule);
    stroke-width: 0.8;
    stroke-dasharray: 3 2;
  }
  .tick {
    stroke: var(--ink-2);
    stroke-width: 0.8;
  }
  .hold {
    fill: var(--hand);
  }
  .word,
  .on {
    font-size: 8px;
    text-anchor: middle;
    fill: var(--ink-2);
    pointer-events: none;
  }
  .on {
    fill: var(--ink);
  }
  .on.piston {
    font-size: 15px;
    font-weight: 600;
  }
  .on.down:not(.piston) {
    fill: var(--paper);
    font-weight: 600;
  }
  .shape {
    fill: var(--paper);
    stroke: var(--ink-2);
    stroke-width: 1;
  }
  .fine {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 0.5;
  }
  .down .shape,
  .down .fixed {
    fill: var(--hand);
    stroke: var(--hand);
  }
  .on.down.piston {
    fill: var(--paper);
  }
  .half .part {
    fill: var(--hand);
  }
  .half .shape {
    stroke: var(--hand);
    stroke-width: 1.4;
  }
  .free .shape {
    fill: var(--accent-soft);
    stroke: var(--accent);
    stroke-dasharray: 1.5 1.5;
  }
  .touch {
    cursor: pointer;
  }
  .touch:focus-visible .shape {
    stroke: var(--cds-focus);
    stroke-width: 2.5;
  }
</style>
