<!-- The first bars of a page, engraved. -->
<script lang="ts">
  import { drawing, engrave } from '../engrave/engrave';

  let { xml, label }: { xml: string; label: string } = $props();

  let width = $state(0);
  let lines = $state.raw<string[]>([]);
  $effect(() => {
    if (!width) return;
    return engrave({ xml, widthPx: width, scale: 34, wide: false }, (reply) => {
      lines = reply.first ? reply.lines : [...lines, ...reply.lines];
    });
  });
  const put = (svg: string) => (el: HTMLElement) => el.replaceChildren(drawing(svg).svg);
</script>

<div bind:clientWidth={width} role="img" aria-label={label}>
  {#each lines as svg, i (i)}<div {@attach put(svg)}></div>{/each}
</div>

<style>
  div {
    min-height: 4rem;
  }
</style>
