<!-- Tells the printer on what paper the page stands. -->
<script lang="ts">
  import { MARGIN, settings } from './settings.svelte';

  /** the size of the paper, where it is not the one that is chosen */
  let { size = '' }: { size?: string } = $props();

  $effect(() => {
    const style = document.createElement('style');
    style.textContent = `@page { size: ${size || (settings.paper === 'A4' ? 'A4' : 'letter')}; margin: ${MARGIN}mm; }`;
    document.head.append(style);
    return () => style.remove();
  });
</script>
