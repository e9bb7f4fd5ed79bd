<!-- The whole range of an instrument on a staff; under each note its name and how far it belongs. -->
<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import type { Snippet } from 'svelte';
  import { drawing, engrave, type Line } from '../engrave/engrave';
  import type { Schemas } from '../api/client';
  import { notesXml } from '../engrave/notes';
  import { ui } from '../words/ui';

  let {
    notes,
    clef,
    sounding,
    chosen,
    marked,
    onchoose,
    under,
    says
  }: {
    notes: Schemas['TableNote'][];
    clef: string;
    sounding: boolean;
    chosen: number;
    /** notes that have what is looked for */
    marked: Set<number>;
    onchoose: (midi: number) => void;
    /** what stands under a note's name */
    under?: Snippet<[number]>;
    /** what that says, for those who do not see it */
    says?: (midi: number) => string;
  } = $props();

  const NOTE = 42;
  let width = $state(0);
  let lines = $state.raw<{ svg: SVGSVGElement; info: Line }[]>([]);
  let problem = $state('');
  let shown = '';

  const perLine = $derived.by(() => {
    const most = Math.max(6, Math.floor((width - 70) / NOTE));
    const count = Math.ceil(notes.length / most);
    return Math.ceil(notes.length / Math.max(1, count));
  });

  $effect(() => {
    const w = Math.floor(width);
    if (w < 200 || !notes.length) return;
    const xml = notesXml(
      notes.map((n) => ({ id: 'm' + n.midi, pitch: sounding ? n.sounding : n.written })),
      clef,
      perLine
    );
    const key = w + xml;
    if (key === shown) return;
    let stopped = false;
    let stop: (() => void) | undefined;
    const timer = setTimeout(() => {
      stop = engrave({ xml, widthPx: w, scale: 34, wide: false }, (reply) => {
        if (stopped) return;
        problem = reply.problem ?? '';
        const more = reply.lines.map(drawing);
        lines = reply.first ? more : [...lines, ...more];
        if (reply.done) shown = key;
      });
    }, 30);
    return () => {
      stopped = true;
      clearTimeout(timer);
      stop?.();
    };
  });

  const byId = $derived(new Map(notes.map((n) => ['m' + n.midi, n])));
  const put = (svg: SVGSVGElement) => (el: HTMLElement) => {
    el.replaceChildren(svg);
  };
  const name = (n: Schemas['TableNote']) => (sounding ? n.soundingShown : n.shown);
  const stages: Record<Schemas['TableNote']['stage'], string> = {
    FIRST_YEARS: ui.notes.firstYearsShort,
    SCHOOL: ui.notes.schoolShort,
    ADVANCED: ui.notes.advancedShort,
    BEYOND: ui.notes.beyondRange
  };
</script>

{#snippet choice(n: Schemas['TableNote'], left?: string)}
  <button
    class="plain {n.stage}"
    class:chosen={n.midi === chosen}
    class:dim={!marked.has(n.midi)}
    aria-pressed={n.midi === chosen}
    aria-label="{name(n)}, {says ? says(n.midi) : stages[n.stage]}"
    style:left
    onclick={() => onchoose(n.midi)}
  >
    <span>{name(n)}</span>
    {#if under}<span class="under">{@render under(n.midi)}</span>{/if}
  </button>
{/snippet}

<div bind:clientWidth={width} class="range" role="group" aria-label={ui.notes.theRange}>
  {#if problem}<p role="alert">{ui.notes.noStaff}</p>{/if}
  {#if !lines.length && !problem && notes.length}
    <div class="names">
      <InlineLoading description={ui.notes.staffComing} />
      {#each notes as n (n.midi)}{@render choice(n)}{/each}
    </div>
  {/if}
  {#each lines as line, i (i)}
    <div class="line" class:tall={under}>
      <div {@attach put(line.svg)}></div>
      {#each line.info.spots.filter((s) => byId.has(s.id)) as s (s.id)}
        {@render choice(byId.get(s.id)!, `${(s.x / line.info.width) * 100}%`)}
      {/each}
    </div>
  {/each}
</div>

<style>
  .range {
    background: var(--paper);
    border: 1px solid var(--rule);
    padding: 0.25rem 0.75rem 0.5rem;
    min-height: 9rem;
  }
  .line {
    position: relative;
    padding-bottom: 1.875rem;
  }
  .line.tall {
    padding-bottom: 4.375rem;
    margin-bottom: 0.25rem;
  }
  .tall button {
    flex-direction: column;
    align-items: center;
    justify-content: flex-end;
  }
  .tall button span.under {
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 1px;
    height: 2.375rem;
    padding-top: 0.25rem;
    border: 0;
    font-weight: 400;
  }
  .line :global(.mNum) {
    display: none;
  }
  .names {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 0.5rem;
    padding: 0.5rem 0;
  }
  .names button {
    flex-direction: column;
    align-items: center;
  }
  .line button {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 2.6rem;
    margin-left: -1.3rem;
  }
  button {
    display: flex;
    align-items: flex-end;
    justify-content: center;
    border-radius: 4px;
  }
  button span {
    font-size: 0.8125rem;
    padding: 0 0.125rem 1px;
    border-bottom: 2px solid transparent;
  }
  .FIRST_YEARS span {
    border-bottom: 3px solid var(--ink);
  }
  .SCHOOL span {
    border-bottom: 1px solid var(--ink);
  }
  .ADVANCED span {
    border-bottom: 1px dashed var(--ink-2);
  }
  .BEYOND span {
    border-bottom: 1px dotted var(--ink-2);
    font-style: italic;
  }
  .dim span {
    color: var(--ink-2);
  }
  button:not(.dim) span {
    font-weight: 600;
  }
  button:hover {
    background: color-mix(in srgb, var(--accent) 8%, transparent);
  }
  button.chosen {
    background: color-mix(in srgb, var(--accent) 16%, transparent);
  }
</style>
