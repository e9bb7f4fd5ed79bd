<!-- The written part over the simpler one, engraved; what is changed stands in a frame. -->
<script lang="ts">
  import { InlineLoading, SkeletonPlaceholder } from 'carbon-components-svelte';
  import { drawing, engrave, type Line } from '../engrave/engrave';
  import { ui } from '../words/ui';

  let {
    xml,
    changed,
    chosen,
    label,
    onchoose
  }: {
    xml: string;
    /** ids of the notes that are changed */
    changed: Set<string>;
    chosen: string;
    label: string;
    onchoose: (id: string) => void;
  } = $props();

  const LOWER = 's-';
  let width = $state(0);
  let lines = $state.raw<{ svg: SVGSVGElement; info: Line }[]>([]);
  let problem = $state('');

  $effect(() => {
    const w = Math.floor(width);
    const x = xml;
    if (w < 200) return;
    let stopped = false;
    const stop = engrave({ widthPx: w, scale: 42, wide: false, xml: x }, (reply) => {
      if (stopped) return;
      problem = reply.problem ?? '';
      const more = reply.lines.map(drawing);
      lines = reply.first ? more : [...lines, ...more];
    });
    return () => {
      stopped = true;
      stop();
    };
  });

  const put = (svg: SVGSVGElement) => (el: HTMLElement) => {
    el.replaceChildren(svg);
  };
  const spots = (info: Line) => {
    const seen = new Map<string, number>();
    for (const s of info.spots) {
      const id = s.id.startsWith(LOWER) ? s.id.slice(LOWER.length) : s.id;
      if (!seen.has(id)) seen.set(id, s.x);
    }
    return [...seen];
  };
  function click(e: MouseEvent, info: Line) {
    const box = (e.currentTarget as Element).getBoundingClientRect();
    const x = ((e.clientX - box.left) / box.width) * info.width;
    const near = spots(info)
      .map(([id, at]) => ({ id, far: Math.abs(at - x) }))
      .sort((a, b) => a.far - b.far)[0];
    if (near && near.far < 30) onchoose(near.id);
  }
  $effect(() => {
    const id = chosen;
    const i = lines.findIndex((l) => spots(l.info).some(([s]) => s === id));
    if (i >= 0) sections[i]?.scrollIntoView({ block: 'nearest' });
  });
  const sections: HTMLElement[] = $state([]);
</script>

<div class="staves" bind:clientWidth={width} role="img" aria-label={label}>
  {#if problem}<p role="alert">{ui.stand.notDrawn}</p>{/if}
  {#if !lines.length && !problem}
    <div class="busy">
      <InlineLoading description={ui.stand.bothComing} />
      <SkeletonPlaceholder style="width: 100%; height: 14rem;" />
    </div>
  {/if}
  {#each lines as line, i (i)}
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
    <section bind:this={sections[i]} onclick={(e) => click(e, line.info)}>
      {#each spots(line.info) as [id, x] (id)}
        {#if changed.has(id) || id === chosen}
          <div
            class="mark"
            class:changed={changed.has(id)}
            class:chosen={id === chosen}
            style:left="{((x - 13) / line.info.width) * 100}%"
            style:width="{(26 / line.info.width) * 100}%"
          ></div>
        {/if}
      {/each}
      <div {@attach put(line.svg)}></div>
    </section>
  {/each}
</div>

<style>
  section {
    position: relative;
    cursor: pointer;
    margin-bottom: 0.5rem;
  }
  .staves :global(svg.engraved) {
    display: block;
    width: 100%;
    height: auto;
    position: relative;
    color: var(--ink);
  }
  .mark {
    position: absolute;
    top: 4%;
    bottom: 2%;
    border-radius: 4px;
  }
  .mark.changed {
    border: 1.5px dashed var(--ink-2);
  }
  .mark.chosen {
    background: var(--accent-soft);
  }
</style>
