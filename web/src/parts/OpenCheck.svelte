<!-- A playing check that was begun and not finished, to go on with. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  let { check, group = false }: { check: Schemas['ClassCheckRef']; group?: boolean } = $props();
  const asked = $derived(check.items.map((i) => `${i.shown} ${i.words}`.trim()).join(', '));
</script>

<a href="/ear/check/{check.id}"
  >{group ? `${check.group}: ` : 'Go on with the playing check: '}{asked}</a
>
<span class="small quiet">begun {check.when}, not finished</span>
