<!-- Looks through a list: by what is typed, in an order that is chosen; more may stand beside it. -->
<script lang="ts" generics="O extends string">
  import { Search, Select, SelectItem } from 'carbon-components-svelte';
  import type { Snippet } from 'svelte';

  let {
    find,
    typed = $bindable(),
    by,
    orders,
    order = $bindable(),
    children
  }: {
    /** what is looked for, in words */
    find: string;
    typed: string;
    /** what the order is called, and which there are */
    by: string;
    orders: Record<O, string>;
    order: O;
    children?: Snippet;
  } = $props();
</script>

<div class="sought">
  <Search size="sm" labelText={find} placeholder={find} bind:value={typed} />
  <Select
    size="sm"
    labelText={by}
    selected={order}
    on:change={(e) => (order = (e.target as HTMLSelectElement).value as O)}
  >
    {#each Object.entries<string>(orders) as [o, text] (o)}<SelectItem value={o} {text} />{/each}
  </Select>
  {@render children?.()}
</div>

<style>
  .sought {
    display: grid;
    grid-template-columns: minmax(12rem, 1fr);
    grid-auto-columns: 15rem;
    grid-auto-flow: column;
    gap: 1rem;
    align-items: end;
    max-width: 62rem;
    margin-top: 1rem;
  }
  @media (max-width: 1000px) {
    .sought {
      grid-auto-flow: row;
      grid-template-columns: 1fr 1fr;
    }
    .sought > :global(:first-child) {
      grid-column: 1 / -1;
    }
  }
  @media (max-width: 550px) {
    .sought {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media print {
    .sought {
      display: none;
    }
  }
</style>
