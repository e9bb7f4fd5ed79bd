<!-- A sheet with boxes to tick: its head, and sections that stay whole on a page. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { fits, scrolls } from '../lib/scrolls';
  import { settings } from './settings.svelte';

  let {
    title,
    name,
    instrument,
    children
  }: {
    title: string;
    /** of the student */
    name: string;
    /** in words */
    instrument: string;
    children: Snippet;
  } = $props();
</script>

<div class="beyond" {@attach scrolls} {@attach fits}>
  <article class="on-paper" aria-label="{name}, {instrument}" style:width="{settings.room.width}mm">
    <header>
      <h2>{title}</h2>
      <p class="who"><b>{name}</b><br />{instrument}</p>
    </header>
    {@render children()}
  </article>
</div>

<style>
  article {
    box-sizing: content-box;
    padding: 12mm;
    background: #fff;
    color: #000;
    font-size: 11pt;
    line-height: 1.3;
    box-shadow: 0 1px 4px rgb(0 0 0 / 0.25);
  }
  header {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 1rem;
  }
  h2 {
    font-size: 20pt;
    font-weight: 600;
    line-height: 1.1;
  }
  .who {
    text-align: right;
  }
  article :global(.tick) {
    font-size: 10pt;
  }
  article :global(section) {
    break-inside: avoid;
    margin-top: 4mm;
    padding-top: 2mm;
    border-top: 0.3mm solid #000;
  }
  article :global(.head) {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 0.4em;
  }
  article :global(.boxes) {
    display: flex;
    gap: 3.5mm;
    margin-left: auto;
    font-size: 10pt;
  }
  article :global(.boxes i) {
    display: inline-block;
    width: 3.2mm;
    height: 3.2mm;
    margin-right: 1mm;
    border: 0.3mm solid #000;
    vertical-align: -0.4mm;
  }
  @media print {
    article {
      padding: 0;
      margin: 0;
      box-shadow: none;
    }
    .beyond + :global(.beyond) {
      break-before: page;
    }
  }
</style>
