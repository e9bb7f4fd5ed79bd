/**
 * A menu made of details and summary: it closes on Escape, on a click outside and when the focus
 * leaves it, and gives the focus back to what opened it.
 */
export function menu(details: HTMLDetailsElement) {
  const close = (back: boolean) => {
    if (!details.open) return;
    details.open = false;
    if (back) details.querySelector('summary')?.focus();
  };
  const outside = (e: Event) => {
    if (e.target instanceof Node && !details.contains(e.target)) close(false);
  };
  const key = (e: KeyboardEvent) => {
    if (e.key !== 'Escape' || !details.open) return;
    close(true);
    e.stopImmediatePropagation();
    e.preventDefault();
  };
  // a press on words in it, such as those of a box to tick, keeps the focus in the menu
  details.tabIndex = -1;
  document.addEventListener('pointerdown', outside, true);
  document.addEventListener('focusin', outside);
  window.addEventListener('keydown', key, true);
  return () => {
    document.removeEventListener('pointerdown', outside, true);
    document.removeEventListener('focusin', outside);
    window.removeEventListener('keydown', key, true);
  };
}
