<!-- A playing check that was begun and not finished, to go on with. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { ui } from '../words/ui';
  let { check, group = false }: { check: Schemas['ClassCheckRef']; group?: boolean } = $props();
  const asked = $derived(check.items.map((i) => `${i.shown} ${i.words}`.trim()).join(', '));
</script>

<a href="/ear/check/{check.id}">{group ? `${check.group}: ` : ui.ear.goOnWith}{asked}</a>
<span class="small quiet">{ui.ear.begun(check.when)}</span>
