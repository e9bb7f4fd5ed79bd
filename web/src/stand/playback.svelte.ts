import type { CountIn, Timeline } from './timeline';

export interface How {
  /** part of the marked tempo, 0.25 to 1.5 */
  speed: number;
  /** clicks on every beat */
  metronome: boolean;
  /** what the page says instead of what sounds */
  written: boolean;
  /** goes round until it is stopped */
  loop: boolean;
  /** no note is heard, only the clicks; the notes are shown all the same */
  mute?: boolean;
  /** drums are struck: a note is the place on the staff where the drum stands */
  drums?: boolean;
  /** beats that are counted before it begins */
  countIn?: CountIn;
}

/** How far ahead sounds are handed to the audio clock, in seconds. */
const AHEAD = 0.25;
const LEAST = 0.08;

/** Plays a planned part with plain tones, note by note, and says which note sounds. */
export class Playback {
  playing = $state(false);
  /** the note that sounds */
  note = $state('');

  private context: AudioContext | undefined;
  private timer: ReturnType<typeof setInterval> | undefined;
  private marks: ReturnType<typeof setTimeout>[] = [];

  /** Plays what stands on a line of time. */
  start({ sounds, clicks, length: whole }: Timeline, how: How) {
    this.stop();
    if (!sounds.length) return;
    this.context ??= new AudioContext();
    void this.context.resume();
    const audio = this.context;
    const stretch = 1 / how.speed;
    const length = whole * stretch;
    let begin = audio.currentTime + 0.1;
    const counted = how.countIn;
    counted?.clicks.forEach((c) => tick(audio, begin + c * stretch));
    begin += (counted?.length ?? 0) * stretch;
    let next = 0;
    let click = 0;
    this.playing = true;
    const hand = () => {
      const now = audio.currentTime;
      while (next < sounds.length) {
        const { tone: n, at: when } = sounds[next]!;
        const at = begin + when * stretch;
        if (at > now + AHEAD) break;
        const seconds = Math.max(LEAST, n.seconds) * stretch;
        if (!how.mute) {
          if (how.drums) strike(audio, n.writtenMidi < LOW, at);
          else tone(audio, how.written ? n.writtenMidi : n.soundingMidi, at, seconds);
        }
        this.marks.push(setTimeout(() => (this.note = n.id), Math.max(0, (at - now) * 1000)));
        next++;
      }
      if (how.metronome) {
        while (click < clicks.length && begin + clicks[click]! * stretch < now + AHEAD)
          tick(audio, begin + clicks[click++]! * stretch);
      }
      if (next >= sounds.length && now > begin + length - AHEAD) {
        if (how.loop) {
          begin += length;
          next = 0;
          click = 0;
        } else if (now > begin + length) this.stop();
      }
    };
    hand();
    this.timer = setInterval(hand, 60);
  }

  stop() {
    clearInterval(this.timer);
    this.marks.forEach(clearTimeout);
    this.marks = [];
    this.playing = false;
    this.note = '';
    if (this.context) {
      void this.context.close();
      this.context = undefined;
    }
  }
}

/** A soft tone of equal temperament, A4 = 440 Hz. */
function tone(audio: AudioContext, midi: number, at: number, seconds: number) {
  const source = audio.createOscillator();
  const loud = audio.createGain();
  source.type = 'triangle';
  source.frequency.value = 440 * 2 ** ((midi - 69) / 12);
  const end = at + seconds * 0.94;
  loud.gain.setValueAtTime(0, at);
  loud.gain.linearRampToValueAtTime(0.22, at + 0.015);
  loud.gain.setValueAtTime(0.18, Math.max(at + 0.016, end - 0.03));
  loud.gain.linearRampToValueAtTime(0, end);
  source.connect(loud).connect(audio.destination);
  source.start(at);
  source.stop(end + 0.01);
}

/** Below A4 on the staff a bass drum stands. */
const LOW = 69;

/** A drum: a short noise for the snare, a falling low tone for the bass drum. */
function strike(audio: AudioContext, low: boolean, at: number) {
  const loud = audio.createGain();
  const length = low ? 0.22 : 0.12;
  loud.gain.setValueAtTime(low ? 0.5 : 0.3, at);
  loud.gain.exponentialRampToValueAtTime(0.001, at + length);
  loud.connect(audio.destination);
  if (low) {
    const skin = audio.createOscillator();
    skin.frequency.setValueAtTime(110, at);
    skin.frequency.exponentialRampToValueAtTime(45, at + length);
    skin.connect(loud);
    skin.start(at);
    skin.stop(at + length);
    return;
  }
  const frames = Math.ceil(audio.sampleRate * length);
  const noise = audio.createBuffer(1, frames, audio.sampleRate);
  const heard = noise.getChannelData(0);
  for (let i = 0; i < frames; i++) heard[i] = Math.random() * 2 - 1;
  const wires = audio.createBufferSource();
  wires.buffer = noise;
  const bright = audio.createBiquadFilter();
  bright.type = 'highpass';
  bright.frequency.value = 900;
  wires.connect(bright).connect(loud);
  wires.start(at);
}

/** The metronome: a short high click. */
function tick(audio: AudioContext, at: number) {
  const source = audio.createOscillator();
  const loud = audio.createGain();
  source.type = 'square';
  source.frequency.value = 1600;
  loud.gain.setValueAtTime(0.07, at);
  loud.gain.exponentialRampToValueAtTime(0.001, at + 0.04);
  source.connect(loud).connect(audio.destination);
  source.start(at);
  source.stop(at + 0.05);
}
