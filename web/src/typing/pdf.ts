import { GlobalWorkerOptions, getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import workerUrl from 'pdfjs-dist/legacy/build/pdf.worker.min.mjs?url';

GlobalWorkerOptions.workerSrc = workerUrl;

/** Opens a PDF; loaded only when one is shown. */
export async function open(file: File) {
  const task = getDocument({
    data: new Uint8Array(await file.arrayBuffer()),
    wasmUrl: '/pdf/',
    standardFontDataUrl: '/pdf/',
    useSystemFonts: true
  });
  const pdf = await task.promise;
  let drawing: { cancel: () => void; promise: Promise<void> } | undefined;
  return {
    leaves: pdf.numPages,
    close: () => void task.destroy(),
    /** Draws a leaf as wide as is asked, sharp on the screen it is on. */
    async draw(leaf: number, canvas: HTMLCanvasElement, width: number) {
      drawing?.cancel();
      const page = await pdf.getPage(leaf);
      const sharp = Math.min(2, globalThis.devicePixelRatio || 1);
      const scale = width / page.getViewport({ scale: 1 }).width;
      const viewport = page.getViewport({ scale: scale * sharp });
      canvas.width = Math.floor(viewport.width);
      canvas.height = Math.floor(viewport.height);
      canvas.style.width = `${Math.floor(width)}px`;
      const now = page.render({ canvas, viewport });
      drawing = now;
      await now.promise.catch((e: Error) => {
        // another leaf was asked for meanwhile
        if (e.name !== 'RenderingCancelledException') throw e;
      });
    }
  };
}
