import { api, asked, type Schemas } from '../api/client';

export type Drawing = Schemas['DrawingView'];

/** What the instruments look like: fetched once, when the first picture is shown. */
class Pictures {
  #all = $state.raw<Map<string, Drawing>>();
  #asked: Promise<void> | undefined;

  /** Whether it is known which instruments have a drawing. */
  get known() {
    return this.#all !== undefined;
  }
  of(instrument: string) {
    void this.load();
    return this.#all?.get(instrument);
  }
  /** Comes back when they are there; without a server the plain scheme is shown. */
  load() {
    return (this.#asked ??= asked(api.GET('/api/pictures')).then(
      (all) => void (this.#all = new Map(all.map((d) => [d.instrument, d]))),
      () => void (this.#all = new Map())
    ));
  }
}

export const pictures = new Pictures();
