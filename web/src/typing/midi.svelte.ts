import { ui } from '../words/ui';

/** A MIDI keyboard, where the browser has a way to one; what is pressed is handed on by its number. */
export class MidiKeyboard {
  /** whether this browser has a way to one */
  static readonly possible = 'requestMIDIAccess' in navigator;
  /** what is there, or why none is, as a sentence; empty until it was asked for */
  says = $state('');
  #access: MIDIAccess | undefined;

  constructor(readonly onnote: (midi: number) => void) {}

  async open() {
    try {
      this.#access ??= await navigator.requestMIDIAccess();
      this.#access.onstatechange = () => this.#attach();
      this.#attach();
    } catch {
      this.says = ui.typing.midiRefused;
    }
  }

  #attach() {
    const inputs = [...(this.#access?.inputs.values() ?? [])];
    for (const i of inputs) i.onmidimessage = ({ data }) => data && this.#message(data);
    const names = inputs.filter((i) => i.state === 'connected').map((i) => i.name ?? '');
    this.says = names.length ? ui.typing.midiThere(names.join(', ')) : ui.typing.midiNone;
  }

  /** A key that goes down: status 9n, its number, how hard; none at all is a key that comes up. */
  #message([status = 0, key = 0, velocity = 0]: Uint8Array) {
    if ((status & 0xf0) === 0x90 && velocity > 0) this.onnote(key);
  }

  close() {
    if (!this.#access) return;
    this.#access.onstatechange = null;
    for (const i of this.#access.inputs.values()) i.onmidimessage = null;
    this.#access = undefined;
  }
}
