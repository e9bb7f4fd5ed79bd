import wasmUrl from 'verovio/wasm?url';
import { VerovioToolkit, enableLog, LOG_ERROR } from 'verovio/esm';

export interface EngraveRequest {
  id: number;
  xml?: string;
  widthPx: number;
  scale: number;
  /** whether long fingerings need more room between the notes */
  wide: boolean;
}
export interface EngraveReply {
  id: number;
  /** lines that follow those of the replies before */
  lines: string[];
  /** whether these are the first, and whether they are the last */
  first: boolean;
  done: boolean;
  problem?: string;
}

/** How many lines fill a screen. */
const FIRST = 3;

const toolkit = (async () => {
  const { default: create } = (await import(/* @vite-ignore */ wasmUrl)) as {
    default: () => Promise<unknown>;
  };
  const module = await create();
  enableLog(LOG_ERROR, module);
  return new VerovioToolkit(module);
})();

self.onmessage = async ({ data: q }: MessageEvent<EngraveRequest>) => {
  try {
    const tk = await toolkit;
    tk.setOptions({
      scale: q.scale,
      pageWidth: Math.round((q.widthPx * 100) / q.scale),
      // the smallest page: exactly one line of music on each, so that our lanes can follow it
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
    if (q.xml === undefined) tk.redoLayout();
    else if (!tk.loadData(q.xml)) throw new Error('This part could not be engraved.');
    // the first lines are sent as soon as they are drawn, so that reading can begin
    const count = tk.getPageCount();
    let lines: string[] = [];
    let first = true;
    for (let page = 1; page <= count; page++) {
      lines.push(tk.renderToSVG(page));
      if (page === FIRST || page === count) {
        self.postMessage({ id: q.id, lines, first, done: page === count } satisfies EngraveReply);
        lines = [];
        first = false;
      }
    }
  } catch (e) {
    self.postMessage({
      id: q.id,
      lines: [],
      first: true,
      done: true,
      problem: String(e)
    } satisfies EngraveReply);
  }
};
