declare module 'verovio/wasm?url' {
  const url: string;
  export default url;
}
declare module 'verovio/esm' {
  export const LOG_ERROR: number;
  export function enableLog(level: number, module: unknown): void;
  export class VerovioToolkit {
    constructor(module: unknown);
    setOptions(o: Record<string, unknown>): void;
    loadData(xml: string): boolean;
    redoLayout(o?: Record<string, unknown>): void;
    getPageCount(): number;
    renderToSVG(page: number): string;
    renderToTimemap(o?: Record<string, unknown>): TimemapEntry[];
    getLog(): string;
  }
  export interface TimemapEntry {
    qstamp: number;
    tstamp: number;
    tempo?: number;
    on?: string[];
    off?: string[];
    restsOn?: string[];
    restsOff?: string[];
    measureOn?: string;
  }
}

/** Version of the engraver, put in by the build. */
declare const __ENGRAVER__: string;
