<!-- How parts stand on paper: language and names, size of paper and staff, what is written over and under the notes. -->
<script lang="ts">
  import { Select, SelectItem } from 'carbon-components-svelte';
  import SheetWords from '../parts/SheetWords.svelte';
  import { settings, STAVES, type Paper, type Which } from './settings.svelte';
  import { ui } from '../words/ui';

  const value = (e: Event) => (e.target as HTMLSelectElement).value;
  const WHICH: [Which, string][] = [
    ['none', ui.paper.none],
    ['new', ui.paper.newOnes],
    ['all', ui.paper.all]
  ];
</script>

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

<style>
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
    .settings {
      display: none;
    }
  }
</style>
