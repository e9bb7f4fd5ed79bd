<!-- An error in place: what happened, and a way to try again where there is one. -->
<script lang="ts">
  import { Button, InlineNotification } from 'carbon-components-svelte';
  import { ui } from '../words/ui';
  let { text, again }: { text: string; again?: () => void } = $props();
</script>

<div class="trouble" role="alert">
  <InlineNotification kind="error" lowContrast hideCloseButton title="" subtitle={text} />
  {#if again}<Button size="small" kind="tertiary" on:click={again}>{ui.all.tryAgain}</Button>{/if}
</div>

<style>
  .trouble {
    max-width: 44rem;
  }
</style>
