import wasmUrl from 'verovio/wasm?url';
import { notesXml } from './notes';
import { FIRST, options, type How } from './options';
import { VerovioToolkit, enableLog, LOG_ERROR } from 'verovio/esm';

export interface EngraveRequest extends How {
  id: number;
  xml?: string;
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

const toolkit = (async () => {
  const { default: create } = (await import(/* @vite-ignore */ wasmUrl)) as {
    default: () => Promise<unknown>;
  };
  const module = await create();
  enableLog(LOG_ERROR, module);
  const tk = new VerovioToolkit(module);
  // the first line that is drawn takes longer; it is drawn while nobody waits
  tk.setOptions(options({ widthPx: 600, scale: 42, wide: false }));
  tk.loadData(notesXml([{ id: 'n', pitch: 'Bb4' }], 'treble'));
  tk.renderToSVG(1);
  return tk;
})();

self.onmessage = async ({ data: q }: MessageEvent<EngraveRequest>) => {
  try {
    const tk = await toolkit;
    tk.setOptions(options(q));
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
