<!-- An address inside the application that leads nowhere. -->
<script lang="ts">
  import { ui } from '../words/ui';
</script>

<svelte:head><title>{ui.all.nothingTitle}</title></svelte:head>

<div class="page">
  <h1>{ui.all.nothingHere}</h1>
  <p>{ui.all.mistyped}</p>
  <p>
    <a href="/">{ui.all.goToday}</a>{ui.all.lookAmong}
    <a href="/removed">{ui.all.whatRemoved}</a>{ui.all.orPress}
    <kbd>/</kbd>
    {ui.all.typeName}
  </p>
</div>

<style>
  p {
    margin-top: 0.75rem;
  }
</style>
