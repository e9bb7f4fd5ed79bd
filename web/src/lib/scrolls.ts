/** A part of the page that is wider than the screen and moves by itself is moved by keys too. */
export function scrolls(el: HTMLElement) {
  const look = () => {
    if (el.scrollWidth > el.clientWidth + 1) el.tabIndex = 0;
    else el.removeAttribute('tabindex');
  };
  const seen = new ResizeObserver(look);
  seen.observe(el);
  for (const child of el.children) seen.observe(child);
  return () => seen.disconnect();
}
