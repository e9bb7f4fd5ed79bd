<!-- One concert pitch across the band: what each instrument reads, fingers, and gets instead. -->
<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import { alone, asAlone, read, shown as shownName } from '../lib/pitch';
  import { ways } from '../ways.svelte';
  import TakeAway from '../parts/TakeAway.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import { short } from '../stand/lanes';
  import type { Stage } from '../words/standing';
  import { ui } from '../words/ui';

  const pitch = $derived(
    asAlone(decodeURIComponent(String(route.params.pitch ?? 'Bb4')), ways.now.chromatic)
  );
  let stage = $state<Stage>('SCHOOL');
  const page = loaded<Schemas['AcrossView'][]>();
  const band = $derived(page.value);

  /** The band of another pitch is not left standing meanwhile. */
  $effect(() => {
    const query = { pitch, stage };
    page.put(undefined);
    void page.ask(() => asked(api.GET('/api/newnote', { params: { query } })));
  });

  const lines = () => [
    [ui.all.instrument, ui.notes.reads, ui.notes.fingers, ui.notes.otherWays, ui.notes.outInstead],
    ...(band ?? []).map((b) => [
      b.name,
      b.shown,
      b.label,
      b.others.join(', '),
      b.wrong.map((w) => `${w.shown}: ${w.why}`).join(' ')
    ])
  ];
  const shown = (p: string) => {
    const n = read(p);
    return n ? shownName(n, ways.naming) : p;
  };
  const pitches = $derived(
    [2, 3, 4, 5].flatMap((o) => alone(ways.now.chromatic).map((n) => n + o))
  );
  const listed = $derived(pitches.includes(pitch) ? pitches : [pitch, ...pitches]);
</script>

<svelte:head><title>{ui.notes.acrossTitle(shown(pitch))}</title></svelte:head>

<div class="page">
  <header>
    <div>
      <h1>{ui.notes.across(shown(pitch))}</h1>
      <p class="quiet">
        {ui.notes.acrossIntro}
        <a href="/scale">{ui.scale.link}</a>
      </p>
    </div>
    <div class="set">
      <Select
        size="sm"
        labelText={ui.all.concertPitch}
        selected={pitch}
        on:change={(e) =>
          visit(
            `/notes/across/${encodeURIComponent(String((e.target as HTMLSelectElement).value))}`
          )}
      >
        {#each listed as p (p)}<SelectItem value={p} text={shown(p)} />{/each}
      </Select>
      <Select
        size="sm"
        labelText={ui.notes.playersOf}
        selected={stage}
        on:change={(e) => (stage = (e.target as HTMLSelectElement).value as Stage)}
      >
        <SelectItem value="FIRST_YEARS" text={ui.stage.FIRST_YEARS} />
        <SelectItem value="SCHOOL" text={ui.stage.SCHOOL} />
        <SelectItem value="ADVANCED" text={ui.stage.ADVANCED} />
      </Select>
      {#if band}<TakeAway name={ui.notes.across(shown(pitch))} rows={lines} />{/if}
    </div>
  </header>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !band}
    <SkeletonText paragraph lines={12} />
  {:else}
    <table class="rows sheet stack">
      <thead>
        <tr>
          <th scope="col">{ui.all.instrument}</th><th scope="col">{ui.notes.reads}</th><th
            scope="col">{ui.notes.fingers}</th
          ><th scope="col">{ui.notes.otherWays}</th><th scope="col">{ui.notes.outInstead}</th>
        </tr>
      </thead>
      <tbody>
        {#each band as b (b.instrument)}
          <tr>
            <td><a href="/notes/{b.instrument}/{encodeURIComponent(b.written)}">{b.name}</a></td>
            <td data-label={ui.notes.reads}
              ><b>{b.shown}</b>{#if b.octave}<br /><span class="small quiet">{b.octave}</span
                >{/if}</td
            >
            <td>{b.label}<br /><span class="small quiet">{short(b.fingering).join(' · ')}</span></td
            >
            <td class="small" data-label={b.others.length ? ui.notes.otherWays : undefined}
              >{b.others.join(', ')}</td
            >
            <td class="small" data-label={b.wrong.length ? ui.notes.outInstead : undefined}
              >{#each b.wrong as w (w.shown)}<span class="wrong"><b>{w.shown}</b>: {w.why}</span
                >{/each}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</div>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem 2rem;
    justify-content: space-between;
    align-items: flex-end;
    margin-bottom: 1.25rem;
  }
  .set {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 0.75rem;
  }
  td:nth-child(3)::first-letter {
    text-transform: uppercase;
  }
  .wrong {
    display: block;
  }
</style>
