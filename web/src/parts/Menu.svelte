<!-- What is seldom wanted, behind one word; on a phone it opens in the page and not over it. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { menu } from './menu';

  let { label, children }: { label: string; children: Snippet } = $props();
</script>

<details {@attach menu}>
  <summary>{label}</summary>
  <div>{@render children()}</div>
</details>

<style>
  details {
    position: relative;
  }
  summary {
    cursor: pointer;
    font-weight: 600;
    color: var(--accent);
    padding-block: max(0.125rem, (var(--target) - 1lh) / 2);
  }
  div {
    position: absolute;
    right: 0;
    z-index: 3;
    width: 21rem;
    display: flex;
    flex-direction: column;
    gap: 0.625rem;
    padding: 0.875rem 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
    box-shadow: 0 2px 8px rgb(0 0 0 / 0.15);
  }
  div :global(:is(a, button)) {
    color: var(--accent);
    text-decoration: underline;
  }
  @media (max-width: 700px) {
    details[open] {
      flex-basis: 100%;
    }
    div {
      position: static;
      width: auto;
      box-shadow: none;
    }
  }
  @media print {
    details {
      display: none;
    }
  }
</style>
