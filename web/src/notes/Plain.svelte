<!--
  A fingering as a picture: the controls as the hands lie on them, drawn from the catalogue. Filled:
  held. Half filled: half covered. Outlined: may be held without being heard. Dashed: behind.
-->
<script lang="ts">
  import { eyes } from './eyes.svelte';
  import { picture, same, type Held, type Key, type Kind } from './hands';

  let {
    keys,
    held,
    kind,
    guides = [],
    slideCm = 0,
    label,
    small = false,
    ontoggle
  }: {
    keys: Key[];
    held: Held[];
    kind: Kind;
    guides?: number[];
    slideCm?: number;
    label: string;
    /** where letters would be too small to be read: the shapes alone */
    small?: boolean;
    /** makes the controls buttons */
    ontoggle?: (key: Key) => void;
  } = $props();

  const drawn = $derived(picture(keys));
  const LABELS = $derived(small ? 2 : 36);
  const turn = $derived(eyes.facing ? -1 : 1);
  const reach = $derived(eyes.facing ? drawn.right : drawn.left);
  const other = $derived(eyes.facing ? drawn.left : drawn.right);
  const state = (k: Key) => {
    const h = held.find((x) => same(x, k));
    return !h ? 'up' : h.free ? 'free' : h.half ? 'half' : 'down';
  };
  const valves = $derived(keys.filter((k) => !/^p\d$/.test(k.token)));
  const order = $derived(eyes.facing ? [...valves].reverse() : valves);
  const far = $derived(guides[guides.length - 1] ?? 1);

  function press(e: KeyboardEvent, k: Key) {
    if (e.key !== 'Enter' && e.key !== ' ') return;
    e.preventDefault();
    ontoggle?.(k);
  }
</script>

{#if kind === 'HANDS'}
  {@const w = reach + other + LABELS * 2}
  <svg
    viewBox="{-reach - LABELS} -4 {w} {drawn.height + 8}"
    width={w}
    height={drawn.height + 8}
    role={ontoggle ? 'group' : 'img'}
    aria-label={label}
  >
    <line class="bore" x1="0" x2="0" y1="0" y2={drawn.height} />
    {#each small ? [] : drawn.rows as r (r.y)}
      {@const side = (r.left ? -1 : 1) * turn}
      <text
        class="row"
        x={side < 0 ? -reach - LABELS : other + LABELS}
        y={r.y + 3.5}
        text-anchor={side < 0 ? 'start' : 'end'}>{r.label}</text
      >
    {/each}
    {#each drawn.places as p (p.key.token + p.key.left)}
      {@const s = state(p.key)}
      <g
        transform="translate({p.x * turn} {p.y})"
        class="{s} {p.behind ? 'behind' : ''}"
        class:touch={ontoggle}
        {...ontoggle
          ? {
              role: 'button',
              tabindex: 0,
              'aria-label': p.key.name,
              'aria-pressed': s !== 'up',
              onclick: () => ontoggle(p.key),
              onkeydown: (e: KeyboardEvent) => press(e, p.key)
            }
          : {}}
      >
        <title>{p.key.name}</title>
        {#if p.key.hole}
          <circle r="9" class="shape" />
          {#if s === 'half'}<path class="part" d="M0 -9a9 9 0 0 0 0 18z" />{/if}
        {:else}
          <rect class="shape" x={-p.w / 2} y="-8.5" width={p.w} height="17" rx="5" />
          {#if s === 'half'}<rect
              class="part"
              x={-p.w / 2}
              y="-8.5"
              width={p.w / 2}
              height="17"
              rx="5"
            />{/if}
        {/if}
        {#if !small}<text class="on" y="3.5">{p.text}</text>{/if}
      </g>
    {/each}
  </svg>
{:else}
  <svg
    viewBox="0 0 {guides.length ? 170 : 34 * order.length + 8} {guides.length ? 66 : 44}"
    width={guides.length ? 170 : 34 * order.length + 8}
    height={guides.length ? 66 : 44}
    role={ontoggle ? 'group' : 'img'}
    aria-label={label}
  >
    {#if guides.length}
      {@const at = (cm: number) => {
        const x = 12 + (cm / far) * 146;
        return eyes.facing ? 170 - x : x;
      }}
      <line class="bore" x1="8" x2="162" y1="44" y2="44" />
      {#each guides as g, i (i)}
        <line class="tick" x1={at(g)} x2={at(g)} y1="38" y2="50" />
        {#if !small}<text class="row" x={at(g)} y="63" text-anchor="middle">{i + 1}</text>{/if}
      {/each}
      <rect class="mark" x={at(slideCm) - 4} y="32" width="8" height="20" rx="3" />
      {#each valves as k (k.token)}
        <g transform="translate({eyes.facing ? 156 : 14} 14)" class={state(k)}>
          <rect class="shape" x="-12" y="-9" width="24" height="18" rx="5" />
          <text class="on" class:large={small} y={small ? 5 : 3.5}>{k.token}</text>
        </g>
      {/each}
    {:else}
      {#each order as k, i (k.token)}
        <g
          transform="translate({21 + i * 34} 22)"
          class="{state(k)} {k.finger === 'LT' ? 'behind' : ''}"
          class:touch={ontoggle}
          {...ontoggle
            ? {
                role: 'button',
                tabindex: 0,
                'aria-label': k.name,
                'aria-pressed': state(k) !== 'up',
                onclick: () => ontoggle(k),
                onkeydown: (e: KeyboardEvent) => press(e, k)
              }
            : {}}
        >
          <circle class="shape" r="14" />
          <text class="on" y="4">{k.token}</text>
        </g>
      {/each}
    {/if}
  </svg>
{/if}

<style>
  svg {
    max-width: 100%;
    height: auto;
    display: block;
  }
  .bore {
    stroke: var(--rule);
    stroke-width: 5;
    stroke-linecap: round;
  }
  .tick {
    stroke: var(--ink-2);
  }
  .mark {
    fill: var(--ink);
  }
  .row {
    font-size: 10px;
    fill: var(--ink-2);
  }
  .shape {
    fill: var(--paper);
    stroke: var(--ink-2);
    stroke-width: 1;
  }
  .behind .shape {
    stroke-dasharray: 3 2;
  }
  .on {
    font-size: 10.5px;
    text-anchor: middle;
    fill: var(--ink-2);
  }
  .on.large {
    font-size: 15px;
  }
  .down .shape {
    fill: var(--hand);
    stroke: var(--hand);
  }
  .down .on {
    fill: var(--paper);
    font-weight: 600;
  }
  .half .part {
    fill: var(--hand-light);
  }
  .half .shape {
    stroke: var(--hand);
    stroke-width: 1.5;
  }
  .half .on {
    fill: var(--ink);
    font-weight: 600;
  }
  .free .shape {
    fill: var(--accent-soft);
    stroke: var(--accent);
    stroke-dasharray: 1.5 2;
  }
  .free .on {
    fill: var(--ink);
  }
  .touch {
    cursor: pointer;
  }
  .touch:focus-visible .shape {
    stroke: var(--cds-focus);
    stroke-width: 3;
  }
</style>
