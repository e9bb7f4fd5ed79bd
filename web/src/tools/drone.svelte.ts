import { frequency } from './beats';

/** A held note comes and goes in so many seconds, so that nothing cracks. */
const FADE = 0.08;

/** What is held. */
export interface Held {
  /** MIDI number of what sounds */
  midi: number;
  /** of A4, in Hz */
  a4: number;
  /** whether its fifth sounds with it, pure: three to two */
  fifth: boolean;
}

/** A held note to tune to. */
export class Drone {
  sounding = $state(false);

  private audio: AudioContext | undefined;
  private loud: GainNode | undefined;
  private voices: OscillatorNode[] = [];

  start({ midi, a4, fifth }: Held) {
    this.stop();
    const audio = (this.audio = new AudioContext());
    void audio.resume();
    const loud = (this.loud = audio.createGain());
    loud.gain.setValueAtTime(0, audio.currentTime);
    loud.gain.linearRampToValueAtTime(0.14, audio.currentTime + FADE);
    const soft = audio.createBiquadFilter();
    soft.type = 'lowpass';
    soft.frequency.value = 1800;
    soft.connect(loud).connect(audio.destination);
    const low = frequency(midi, a4);
    // an octave above helps to hear where a low note lies
    const all = fifth ? [low, low * 1.5, low * 2] : [low, low * 2];
    this.voices = all.map((hz, i) => {
      const voice = audio.createOscillator();
      const part = audio.createGain();
      voice.type = 'sawtooth';
      voice.frequency.value = hz;
      part.gain.value = i === 0 ? 0.6 : 0.25;
      voice.connect(part).connect(soft);
      voice.start();
      return voice;
    });
    this.sounding = true;
  }

  stop() {
    const { audio, loud, voices } = this;
    this.audio = undefined;
    this.voices = [];
    this.sounding = false;
    if (!audio || !loud) return;
    const end = audio.currentTime + FADE;
    loud.gain.cancelScheduledValues(audio.currentTime);
    loud.gain.setTargetAtTime(0, audio.currentTime, FADE / 4);
    voices.forEach((v) => v.stop(end));
    setTimeout(() => void audio.close(), FADE * 2000);
  }
}
