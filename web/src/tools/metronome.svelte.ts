import { clickAt, weight, type Beating, type Weight } from './beats';

/** So far ahead clicks are given to the audio clock, in seconds; it plays them to the sample. */
const AHEAD = 0.25;
/** A tab that is not seen is asked once a second only. */
const AHEAD_HIDDEN = 2.5;
const ASKS_EVERY = 50;

const PITCH: Record<Weight, number> = { first: 1800, beat: 1200, part: 800 };
const LOUD: Record<Weight, number> = { first: 0.16, beat: 0.1, part: 0.05 };

/** A metronome on the clock of the sound card. */
export class Metronome {
  running = $state(false);
  /** which beat of the bar sounds, from 0 */
  beat = $state(-1);

  private audio: AudioContext | undefined;
  private timer: ReturnType<typeof setInterval> | undefined;
  private marks: ReturnType<typeof setTimeout>[] = [];
  private how: Beating = { tempo: 60, beats: 4, parts: 1 };
  private begin = 0;
  private next = 0;

  start(how: Beating) {
    this.stop();
    this.audio = new AudioContext();
    void this.audio.resume();
    this.how = how;
    this.begin = this.audio.currentTime + 0.1;
    this.next = 0;
    this.running = true;
    this.hand();
    this.timer = setInterval(() => this.hand(), ASKS_EVERY);
  }

  /** Beats otherwise, from the next click on. */
  set(how: Beating) {
    if (!this.running) return;
    this.begin = clickAt(this.begin, this.how, this.next);
    this.next = 0;
    this.how = how;
  }

  stop() {
    clearInterval(this.timer);
    this.marks.forEach(clearTimeout);
    this.marks = [];
    this.running = false;
    this.beat = -1;
    void this.audio?.close();
    this.audio = undefined;
  }

  private hand() {
    const audio = this.audio;
    if (!audio) return;
    const until = audio.currentTime + (document.hidden ? AHEAD_HIDDEN : AHEAD);
    for (;;) {
      const at = clickAt(this.begin, this.how, this.next);
      if (at > until) break;
      const n = this.next++;
      const w = weight(this.how, n);
      click(audio, Math.max(at, audio.currentTime), w);
      if (w === 'part') continue;
      const beat = (n / this.how.parts) % Math.max(1, this.how.beats);
      const wait = Math.max(0, (at - audio.currentTime) * 1000);
      this.marks = [...this.marks.slice(-8), setTimeout(() => (this.beat = beat), wait)];
    }
  }
}

function click(audio: AudioContext, at: number, w: Weight) {
  const source = audio.createOscillator();
  const loud = audio.createGain();
  source.type = 'square';
  source.frequency.value = PITCH[w];
  loud.gain.setValueAtTime(LOUD[w], at);
  loud.gain.exponentialRampToValueAtTime(0.001, at + 0.035);
  source.connect(loud).connect(audio.destination);
  source.start(at);
  source.stop(at + 0.04);
}
