<!-- An address inside the application that leads nowhere. -->
<script lang="ts"></script>

<svelte:head><title>Nothing at this address · Sempre</title></svelte:head>

<div class="page">
  <h1>There is nothing at this address</h1>
  <p>It may have been mistyped, or what was here is removed.</p>
  <p>
    <a href="/">Go to Today</a>, look among <a href="/removed">what was removed</a>, or press
    <kbd>/</kbd> and type a name.
  </p>
</div>

<style>
  p {
    margin-top: 0.75rem;
  }
</style>
