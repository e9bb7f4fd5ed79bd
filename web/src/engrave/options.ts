/** What the engraver is asked for. */
export interface How {
  widthPx: number;
  scale: number;
  /** whether long fingerings need more room between the notes */
  wide: boolean;
}

/** The engraver's options: the smallest page, so that each holds exactly one line of music. */
export const options = (q: How) => ({
  scale: q.scale,
  pageWidth: Math.round((q.widthPx * 100) / q.scale),
  pageHeight: 100,
  adjustPageHeight: true,
  breaks: 'auto',
  header: 'none',
  footer: 'none',
  svgViewBox: true,
  svgHtml5: true,
  pageMarginTop: 10,
  pageMarginBottom: 10,
  pageMarginLeft: 40,
  pageMarginRight: 20,
  spacingLinear: q.wide ? 0.5 : 0.36,
  spacingNonLinear: 0.62,
  expandNever: true,
  xmlIdSeed: 1
});

/** How many lines fill a screen; they are shown before the rest. */
export const FIRST = 3;
