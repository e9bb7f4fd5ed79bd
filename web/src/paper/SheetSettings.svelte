<!-- How parts stand on paper: language and names, size of paper and staff, what is written over and under the notes. -->
<script lang="ts">
  import { Select, SelectItem } from 'carbon-components-svelte';
  import SheetWords from '../parts/SheetWords.svelte';
  import { settings, STAVES, type Paper, type Which } from './settings.svelte';
  import { Kept } from '../lib/kept.svelte';
  import { ways } from '../ways.svelte';
  import { language, NAMES } from '../words/language';
  import { ui } from '../words/ui';

  /** they are set once a year, so they stand folded until they are wanted */
  const open = new Kept('print-settings', false);
  const now = $derived(
    [
      NAMES[language],
      ui.naming[ways.naming],
      ui.paper.mm(settings.staff),
      settings.paper === 'A4' ? 'A4' : ui.paper.letter
    ].join(' · ')
  );
  const value = (e: Event) => (e.target as HTMLSelectElement).value;
  const WHICH: [Which, string][] = [
    ['none', ui.paper.none],
    ['new', ui.paper.newOnes],
    ['all', ui.paper.all]
  ];
</script>

<details class="fold" bind:open={open.value}>
  <summary>{ui.paper.settings} <span class="quiet small">{now}</span></summary>
  <div class="settings">
    <SheetWords />
    <Select
      size="sm"
      labelText={ui.paper.underNotes}
      selected={settings.fingerings}
      on:change={(e) => (settings.fingerings = value(e) as Which)}
    >
      {#each WHICH as [which, text] (which)}<SelectItem value={which} {text} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.paper.overNotes}
      selected={settings.names}
      on:change={(e) => (settings.names = value(e) as Which)}
    >
      {#each WHICH as [which, text] (which)}<SelectItem value={which} {text} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.paper.staff}
      selected={String(settings.staff)}
      on:change={(e) => (settings.staff = Number(value(e)))}
    >
      {#each STAVES as mm (mm)}<SelectItem value={String(mm)} text={ui.paper.mm(mm)} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.paper.paper}
      selected={settings.paper}
      on:change={(e) => (settings.paper = value(e) as Paper)}
    >
      <SelectItem value="A4" text="A4" />
      <SelectItem value="LETTER" text={ui.paper.letter} />
    </Select>
  </div>
</details>

<style>
  summary {
    cursor: pointer;
    width: fit-content;
    min-height: var(--target);
    padding: 0.25rem 0;
    color: var(--accent);
  }
  .settings {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
    align-items: end;
  }
  .settings :global(.bx--form-item) {
    flex: none;
    min-width: 8rem;
  }
  @media print {
    .fold {
      display: none;
    }
  }
</style>
