<!-- Tells the printer on what paper the page stands. -->
<script lang="ts">
  import { MARGIN, settings } from './settings.svelte';

  /** whether it lies, and whether it is a poster, on A3 */
  let { lies = false, poster = false }: { lies?: boolean; poster?: boolean } = $props();

  $effect(() => {
    const style = document.createElement('style');
    const size = poster ? 'A3' : settings.paper === 'A4' ? 'A4' : 'letter';
    style.textContent = `@page { size: ${size}${lies ? ' landscape' : ''}; margin: ${MARGIN}mm; }`;
    document.head.append(style);
    return () => style.remove();
  });
</script>
