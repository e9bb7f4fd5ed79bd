<!-- The head of a page on one student's piece: its title, who plays it, where one can go. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  let {
    title,
    student,
    instrument,
    children
  }: {
    title: string;
    student: { id: number; name: string };
    /** in words */
    instrument: string;
    children: Snippet;
  } = $props();
</script>

<header>
  <div>
    <h1>{title}</h1>
    <p class="quiet">
      <a href="/people/{student.id}">{student.name}</a>, {instrument}
    </p>
  </div>
  {@render children()}
</header>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.5rem;
    align-items: flex-end;
    margin-bottom: 0.75rem;
  }
  div {
    margin-right: auto;
  }
  header > :global(a) {
    min-height: var(--target);
    display: inline-flex;
    align-items: center;
    gap: 0.375rem;
  }
</style>
