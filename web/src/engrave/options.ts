/** What the engraver is asked for. */
export interface How {
  widthPx: number;
  scale: number;
  /** whether long fingerings need more room between the notes */
  wide: boolean;
  /** on paper, where the page has its own margins: how far apart the notes are, from 0 to 2 */
  paper?: number;
  /** whether a line that is not full is drawn out to the whole width */
  full?: boolean;
  /** whether all stands on one line, as wide as it comes: much quicker, as nothing is broken */
  oneLine?: boolean;
}

/** The engraver's options: the smallest page, so that each holds exactly one line of music. */
export const options = (q: How) => ({
  scale: q.scale,
  pageWidth: Math.round((q.widthPx * 100) / q.scale),
  pageHeight: 100,
  adjustPageHeight: true,
  breaks: q.oneLine ? 'none' : 'auto',
  adjustPageWidth: !!q.oneLine,
  header: 'none',
  footer: 'none',
  svgViewBox: true,
  svgHtml5: true,
  pageMarginTop: 10,
  pageMarginBottom: 10,
  pageMarginLeft: q.paper === undefined ? 40 : 24,
  pageMarginRight: q.paper === undefined ? 20 : 4,
  spacingLinear: q.paper === undefined ? (q.wide ? 0.5 : 0.36) : [0.38, 0.5, 0.64][q.paper]!,
  spacingNonLinear: 0.62,
  ...(q.full ? { minLastJustification: 0 } : {}),
  expandNever: true,
  xmlIdSeed: 1
});

/** How many lines fill a screen; they are shown before the rest. */
export const FIRST = 3;
