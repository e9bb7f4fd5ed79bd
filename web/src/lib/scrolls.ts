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

/** A sheet of paper that is wider than the screen is shown smaller: the whole width is seen. */
export function fits(el: HTMLElement) {
  const paper = el.firstElementChild as HTMLElement | null;
  if (!paper) return;
  const look = () => {
    const fit = Math.min(1, el.clientWidth / paper.offsetWidth);
    el.style.setProperty('--fit', fit > 0 ? fit.toFixed(3) : '1');
  };
  const seen = new ResizeObserver(look);
  seen.observe(el);
  seen.observe(paper);
  return () => seen.disconnect();
}
