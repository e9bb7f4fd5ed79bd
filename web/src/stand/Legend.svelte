<!-- What the marks on this part mean: each one that is there, and no other. -->
<script lang="ts">
  import { menu } from '../parts/menu';
  import type { Lane, Plan } from './lanes';
  import { onPage } from './moves';
  import { ui } from '../words/ui';

  let {
    plan,
    lanes,
    guides,
    breaths
  }: {
    plan: Plan;
    lanes: Lane[];
    guides: number[];
    /** whether breath marks stand over the staff */
    breaths: boolean;
  } = $props();

  let open = $state(false);
  const moves = $derived([...onPage(plan).values()]);
  const marks = $derived(
    [
      { is: 'new', there: plan.notes.some((n) => n.isNew || n.unlearned) },
      { is: 'other', there: plan.notes.some((n) => !n.usual) },
      { is: 'lock', there: plan.notes.some((n) => n.locked) },
      { is: 'gone', there: plan.missing.length > 0 },
      { is: 'breath', there: breaths },
      { is: 'bar', there: lanes.length > 0 },
      { is: 'unheard', there: plan.notes.some((n) => n.holds.some((h) => h.unheard)) },
      { is: 'slide', there: guides.length > 0 },
      { is: 'link', there: moves.some((m) => m.slides.length) },
      { is: 'shake', there: plan.notes.some((n) => n.trill.length) },
      { is: 'hard', there: moves.some((m) => m.difficulty > 0 && m.difficulty < 0.5) },
      { is: 'very', there: moves.some((m) => m.difficulty >= 0.5) },
      { is: 'cross', there: moves.some((m) => m.contrary) }
    ].flatMap((m) => (m.there ? [m.is as keyof typeof ui.stand.marks] : []))
  );
</script>

<details {@attach menu} bind:open>
  <summary>{ui.stand.legend}</summary>
  <dl>
    {#if open}
      {#each marks as m (m)}
        <div>
          <dt>
            <svg viewBox="0 0 30 20" aria-hidden="true">
              {#if m === 'new'}<rect class="new" x="4" y="2" width="22" height="16" rx="3" />
              {:else if m === 'other' || m === 'gone'}<text class={m} x="15" y="14"
                  >{m === 'gone' ? ui.stand.noneWord : '1 2'}</text
                >
              {:else if m === 'breath'}<text class="breath" x="15" y="18">’</text>
              {:else if m === 'lock'}<path class="lock" d="M3 14h24" />
              {:else if m === 'bar' || m === 'unheard'}<rect
                  class={m}
                  x="3"
                  y="5"
                  width="24"
                  height="10"
                  rx="2"
                />
              {:else if m === 'slide'}<path class="slide" d="M3 6H10C16 6 16 14 22 14H27" />
              {:else if m === 'link'}<path class="link" d="M10 3l10 14" />
              {:else if m === 'shake'}<path class="shake" d="M3 10l4 -4l4 8l4 -8l4 8l4 -8l4 4" />
              {:else if m === 'cross'}<path class="cross" d="M8 4l14 12m0 -12l-14 12" />
              {:else}<rect
                  class={m}
                  x="10"
                  y={m === 'very' ? 2 : 10}
                  width="10"
                  height={m === 'very' ? 17 : 9}
                />{/if}
            </svg>
          </dt>
          <dd>{ui.stand.marks[m]}</dd>
        </div>
      {/each}
    {/if}
  </dl>
</details>

<style>
  details {
    position: relative;
  }
  summary {
    cursor: pointer;
    color: var(--accent);
  }
  dl {
    position: absolute;
    right: 0;
    z-index: 3;
    width: 19rem;
    padding: 0.75rem 1rem;
    background: var(--paper);
    color: var(--ink);
    border: 1px solid var(--rule);
    box-shadow: 0 2px 8px rgb(0 0 0 / 0.15);
  }
  dl div {
    display: grid;
    grid-template-columns: 2.5rem 1fr;
    gap: 0.75rem;
    align-items: center;
    padding: 0.1875rem 0;
    font-size: 0.875rem;
  }
  svg {
    width: 2.5rem;
    height: 1.625rem;
    display: block;
  }
  text {
    font-size: 12px;
    text-anchor: middle;
    fill: var(--ink);
  }
  .breath {
    font-size: 24px;
    text-anchor: middle;
    fill: var(--ink);
  }
  .other {
    font-weight: 600;
    text-decoration: underline;
  }
  .gone {
    font-size: 9px;
    font-style: italic;
    fill: var(--hard);
  }
  .new {
    fill: none;
    stroke: var(--ink);
    stroke-dasharray: 2 2.5;
  }
  .lock,
  .link,
  .cross,
  .shake,
  .slide {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
  }
  .link {
    stroke: var(--hard);
  }
  .cross {
    stroke: var(--ink-2);
    stroke-width: 1;
  }
  .shake,
  .slide {
    stroke: var(--hand);
  }
  .slide {
    stroke-width: 4;
  }
  .bar {
    fill: var(--hand);
  }
  .unheard {
    fill: var(--paper);
    stroke: var(--hand);
    stroke-dasharray: 2 1.5;
  }
  .hard {
    fill: var(--ink-2);
    opacity: 0.45;
  }
  .very {
    fill: var(--hard);
  }
</style>
