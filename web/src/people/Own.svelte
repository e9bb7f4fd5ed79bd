<!-- What one teacher reads, in this browser: the language, and the names of notes. -->
<script lang="ts">
  import { Select, SelectItem } from 'carbon-components-svelte';
  import { NAMINGS } from '../lib/pitch';
  import { LANGUAGES, NAMES, nameNotes, ownNames, speak, teachers } from '../words/language';
  import { ui } from '../words/ui';

  const value = (e: Event) => (e.target as HTMLSelectElement).value;
</script>

<Select
  size="sm"
  labelText={ui.people.ownLanguage}
  selected={teachers}
  on:change={(e) => speak(value(e) as typeof teachers)}
>
  {#each LANGUAGES as l (l)}<SelectItem value={l} text={NAMES[l]} />{/each}
</Select>
<Select
  size="sm"
  labelText={ui.people.ownNames}
  selected={ownNames}
  on:change={(e) => nameNotes(value(e))}
>
  <SelectItem value="" text={ui.people.asHouse} />
  {#each NAMINGS as n (n)}<SelectItem value={n} text={ui.naming[n]} />{/each}
</Select>
