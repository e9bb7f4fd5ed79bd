<!-- A few notes on one staff, each with its name under it; a note can be chosen. -->
<script lang="ts">
  import { drawing, engrave, type Line } from '../engrave/engrave';
  import { notesXml } from '../engrave/notes';

  interface Shown {
    pitch: string;
    name: string;
    /** a sign beside the name, and what it says */
    flag?: string;
  }
  let {
    notes,
    clef,
    label,
    chosen,
    onchoose,
    each = 52,
    onplaced
  }: {
    notes: Shown[];
    clef: string;
    /** what the staff shows, for those who do not see it */
    label: string;
    /** places of the notes that are chosen */
    chosen?: number[];
    onchoose?: (place: number) => void;
    /** room for a note, in px */
    each?: number;
    /** called with the middle of each note, in px, by whoever writes under the notes himself */
    onplaced?: (middles: number[]) => void;
  } = $props();

  const CLEF = 48;
  const px = $derived(CLEF + notes.length * each);
  const xml = $derived(
    notesXml(
      notes.map((n, i) => ({ id: `s${i}`, pitch: n.pitch })),
      clef
    )
  );
  let line = $state.raw<{ svg: SVGSVGElement; info: Line }>();

  $effect(() => {
    if (!notes.length) return;
    let stopped = false;
    const stop = engrave(
      { xml, widthPx: px, scale: 34, wide: false, full: !!onplaced },
      (reply) => {
        if (stopped || !reply.lines[0]) return;
        line = drawing(reply.lines[0]);
        onplaced?.(notes.map((_, i) => at(i)));
      }
    );
    return () => {
      stopped = true;
      stop();
    };
  });
  const put = (svg: SVGSVGElement) => (el: HTMLElement) => el.replaceChildren(svg);
  const at = (i: number) => {
    const spot = line?.info.spots.find((s) => s.id === `s${i}`);
    return spot && line ? (spot.x / line.info.width) * px : CLEF + (i + 0.5) * each;
  };
</script>

<div class="staff" class:bare={onplaced} role="group" aria-label={label} style:width="{px}px">
  {#if line}<div {@attach put(line.svg)}></div>{/if}
  {#each onplaced ? [] : notes as n, i (i)}
    {#if onchoose}
      <button
        class="plain spot"
        aria-pressed={chosen?.includes(i) ?? false}
        style:left="{at(i)}px"
        onclick={() => onchoose(i)}
        ><span
          >{n.name}{#if n.flag}<sup>{n.flag}</sup>{/if}</span
        ></button
      >
    {:else}
      <span class="spot" style:left="{at(i)}px"><span>{n.name}</span></span>
    {/if}
  {/each}
</div>

<style>
  .staff {
    position: relative;
    min-height: 4.25rem;
    padding-bottom: 1.125rem;
    flex: none;
  }
  .staff :global(.mNum) {
    display: none;
  }
  .bare {
    min-height: 0;
    padding-bottom: 0;
  }
  .spot {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 52px;
    margin-left: -26px;
    display: flex;
    align-items: flex-end;
    justify-content: center;
    font-size: 0.8125rem;
    border-radius: 4px;
  }
  button.spot:hover {
    background: color-mix(in srgb, var(--accent) 8%, transparent);
  }
  button.spot[aria-pressed='true'] {
    background: color-mix(in srgb, var(--accent) 18%, transparent);
    font-weight: 600;
  }
  sup {
    color: var(--hard);
    font-weight: 600;
    margin-left: 1px;
    line-height: 0;
  }
</style>
