<!-- In which language, and with which names of notes, this one sheet is printed. -->
<script lang="ts">
  import { Select, SelectItem } from 'carbon-components-svelte';
  import { NAMINGS } from '../lib/pitch';
  import { ways } from '../ways.svelte';
  import { LANGUAGES, NAMES, language, teachers } from '../words/language';
  import { ui } from '../words/ui';

  /** The page is read anew, so that one sees what is printed. */
  function choose(what: 'lang' | 'names', value: string) {
    const asked = new URLSearchParams(location.search);
    if (what === 'lang' && value === teachers) asked.delete('lang');
    else asked.set(what, value);
    location.search = asked.toString();
  }
  const value = (e: Event) => (e.target as HTMLSelectElement).value;
</script>

<div class="sheet">
  <Select
    size="sm"
    labelText={ui.all.sheetIn}
    selected={language}
    on:change={(e) => choose('lang', value(e))}
  >
    {#each LANGUAGES as l (l)}<SelectItem value={l} text={NAMES[l]} />{/each}
  </Select>
  <Select
    size="sm"
    labelText={ui.all.sheetNames}
    selected={ways.naming}
    on:change={(e) => choose('names', value(e))}
  >
    {#each NAMINGS as n (n)}<SelectItem value={n} text={ui.naming[n]} />{/each}
  </Select>
</div>

<style>
  .sheet {
    display: contents;
  }
  .sheet :global(.bx--form-item) {
    flex: 0 1 auto;
    min-width: 8.5rem;
  }
  @media print {
    .sheet {
      display: none;
    }
  }
</style>
