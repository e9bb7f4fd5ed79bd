<!-- What a page can be taken away as: printed, or for a spreadsheet. -->
<script lang="ts">
  import { save } from '../lib/csv';
  import { ui } from '../words/ui';

  let {
    name,
    rows,
    onsaved
  }: {
    /** of the file, without its ending */
    name: string;
    /** a heading and the lines, in words */
    rows: () => string[][];
    /** it is saved: the page takes the focus back, so that its keys work on */
    onsaved?: () => void;
  } = $props();

  function take() {
    save(name, rows());
    onsaved?.();
  }
</script>

<div class="away">
  <button
    class="plain link"
    onclick={() => {
      window.print();
      onsaved?.();
    }}>{ui.all.print}</button
  >
  <button class="plain link" onclick={take}>{ui.people.gridCsv}</button>
</div>

<style>
  .away {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
  }
  @media print {
    .away {
      display: none;
    }
  }
</style>
