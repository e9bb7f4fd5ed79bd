<!-- The keys of the page that is open and those that work everywhere, as they are declared. -->
<script lang="ts">
  import { Modal, Toggle } from 'carbon-components-svelte';
  import { letters, listed, type Key } from '../lib/keys.svelte';
  import { ui } from '../words/ui';
  let { open = $bindable(false) }: { open: boolean } = $props();

  const pages = $derived(
    open
      ? listed()
          .reverse()
          .filter((p) => p.keys.length)
      : []
  );
  const SIGNS: Record<string, string> = {
    ArrowLeft: '←',
    ArrowRight: '→',
    ArrowUp: '↑',
    ArrowDown: '↓',
    '-': '−',
    ' ': ui.keys.space
  };
  /** What is to be pressed: such as ← →; shift is said once. */
  function shown(k: Key): string {
    const keys = [k.on].flat();
    const shift = keys.every((x) => x.startsWith('Shift+'));
    const signs = keys.map((x) => x.replace('Shift+', '')).map((x) => SIGNS[x] ?? x);
    return k.shown ?? (shift ? `${ui.keys.shift} ` : '') + signs.join(' ');
  }
</script>

<Modal bind:open iconDescription={ui.all.close} passiveModal modalHeading={ui.app.keys} size="sm">
  {#each pages as page (page.name)}
    <h3>{page.name}</h3>
    <dl>
      {#each page.keys as k (k.words)}
        <dt><kbd>{shown(k)}</kbd></dt>
        <dd>{k.words}</dd>
      {/each}
    </dl>
  {/each}
  <div class="switch">
    <Toggle
      size="sm"
      labelText={ui.keys.letters}
      labelA={ui.keys.lettersOff}
      labelB={ui.keys.lettersOn}
      bind:toggled={() => letters.value, (on) => (letters.value = on)}
    />
  </div>
</Modal>

<style>
  h3 {
    margin-top: 0.75rem;
  }
  dl {
    display: grid;
    grid-template-columns: 9rem 1fr;
    gap: 0.375rem 0.75rem;
    margin: 0.375rem 0 0.75rem;
  }
  .switch {
    --cds-support-02: var(--accent);
    padding-bottom: 1rem;
  }
  dd {
    margin: 0;
  }
</style>
