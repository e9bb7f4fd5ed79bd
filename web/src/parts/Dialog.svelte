<!-- A question before the page: its cover is whole, Enter sends it from every field, and the focus goes back. -->
<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import { onDestroy, tick, type Snippet } from 'svelte';
  import { ui } from '../words/ui';

  let {
    heading,
    send,
    disabled = false,
    danger = false,
    size,
    focus,
    scrolls = false,
    onclose,
    onsend,
    children
  }: {
    heading: string;
    /** what its button says */
    send: string;
    disabled?: boolean;
    danger?: boolean;
    size?: 'xs' | 'sm' | 'lg';
    /** what has the focus first, as a selector */
    focus?: string;
    /** whether its content may be higher than the page */
    scrolls?: boolean;
    onclose: () => void;
    onsend: () => void;
    children: Snippet;
  } = $props();

  const before = document.activeElement;
  onDestroy(async () => {
    await tick();
    // what opened it may be gone with what was done; the page then has the keys
    const back = before instanceof HTMLElement && before !== document.body && before.isConnected;
    const to = back ? before : document.getElementById('main');
    if (document.activeElement === document.body) to?.focus({ preventScroll: true });
  });

  /** Carbon leaves Enter in a menu to the browser, which does nothing with it. */
  function onkeydown(e: KeyboardEvent) {
    if (e.key !== 'Enter' || !(e.target instanceof HTMLSelectElement) || disabled) return;
    e.preventDefault();
    onsend();
  }
</script>

<Modal
  open
  {danger}
  size={size ?? undefined}
  iconDescription={ui.all.close}
  modalHeading={heading}
  primaryButtonText={send}
  primaryButtonDisabled={disabled}
  secondaryButtonText={ui.all.cancel}
  selectorPrimaryFocus={focus}
  hasScrollingContent={scrolls}
  on:keydown={onkeydown}
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={onsend}
>
  {@render children()}
</Modal>
