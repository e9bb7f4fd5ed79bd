/** Whether a key press belongs to a field or a dialog rather than to the page. */
export function typing(e: KeyboardEvent): boolean {
  const t = e.target instanceof Element ? e.target : null;
  return (
    !!t?.closest('input, textarea, select, [contenteditable], [role="dialog"], dialog') ||
    !!document.querySelector('.bx--modal.is-visible')
  );
}
