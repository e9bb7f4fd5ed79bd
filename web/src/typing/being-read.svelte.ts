import { createStore, del, get, set } from 'idb-keyval';

/** A file that was dropped on the shelf, to be typed from here. */
let handed: File | undefined;
export const hand = (file: File) => void (handed = file);

const store = () => createStore('sempre-typed', 'pages');

/** The page of a book from which one types; it lies there again after the power went. */
export class BeingRead {
  file = $state.raw<File>();

  /** @param of what tells it from that of another piece */
  constructor(readonly of: string) {
    if (handed) {
      this.open(handed);
      handed = undefined;
    } else void this.#again();
  }

  async #again() {
    try {
      this.file ??= await get<File>(this.of, store());
    } catch {
      // without storage it is opened once more
    }
  }

  open(file: File | undefined) {
    if (!file) return;
    this.file = file;
    void set(this.of, file, store()).catch(() => {});
  }

  /** A page that is kept with its piece. */
  async fetch(address: string) {
    const answer = await fetch(address);
    if (!answer.ok) return;
    const blob = await answer.blob();
    this.file ??= new File([blob], address.split('/').at(-1)!, { type: blob.type });
  }

  close() {
    this.file = undefined;
    void del(this.of, store()).catch(() => {});
  }
}
