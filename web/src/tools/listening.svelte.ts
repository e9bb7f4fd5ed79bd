import { PitchDetector } from 'pitchy';
import { ui } from '../words/ui';
import { SAMPLES, Steady } from './tuner';

/** Readings a second are about this many; more are not seen. */
const EVERY_MS = 50;
/** How loud each partial of the simulated player is, the first first: about a horn's. */
const PARTIALS = [1, 0.7, 0.5, 0.3, 0.2, 0.1];
const LOUD = 0.2;

export type Source = 'microphone' | 'file' | 'player';

/** Listens to the microphone, to a file, or to a player who is made up, and finds the pitch. */
export class Listening {
  /** what is listened to; empty where nothing is */
  source = $state<Source | ''>('');
  /** the pitch that is heard, in Hz */
  hertz = $state<number>();
  problem = $state('');

  #audio: AudioContext | undefined;
  #stop: (() => void) | undefined;
  #player: OscillatorNode | undefined;
  #timer: ReturnType<typeof setInterval> | undefined;

  async microphone() {
    this.stop();
    if (!navigator.mediaDevices) {
      this.problem = ui.tuner.noMicrophone;
      return;
    }
    try {
      const stream = await navigator.mediaDevices.getUserMedia({
        // what is mended for speech bends a held note
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false }
      });
      const audio = this.#open('microphone');
      audio.createMediaStreamSource(stream).connect(this.#listen(audio));
      this.#stop = () => stream.getTracks().forEach((t) => t.stop());
    } catch {
      this.problem = ui.tuner.microphoneRefused;
    }
  }

  async file(file: File) {
    this.stop();
    const audio = this.#open('file');
    try {
      const buffer = await audio.decodeAudioData(await file.arrayBuffer());
      const node = audio.createBufferSource();
      node.buffer = buffer;
      node.connect(this.#listen(audio));
      node.connect(audio.destination);
      node.onended = () => this.stop(true);
      node.start();
      this.#stop = () => {
        node.onended = null;
        node.stop();
      };
    } catch {
      this.stop();
      this.problem = ui.tuner.noSound(file.name);
    }
  }

  /** @param hertz what the simulated player plays */
  player(hertz: number) {
    if (this.source === 'player' && this.#player && this.#audio) {
      this.#player.frequency.setTargetAtTime(hertz, this.#audio.currentTime, 0.02);
      return;
    }
    this.stop();
    const audio = this.#open('player');
    const voice = (this.#player = audio.createOscillator());
    voice.setPeriodicWave(
      audio.createPeriodicWave(new Float32Array(PARTIALS.length + 1), [0, ...PARTIALS])
    );
    voice.frequency.value = hertz;
    const loud = audio.createGain();
    loud.gain.value = LOUD;
    voice.connect(loud);
    loud.connect(this.#listen(audio));
    loud.connect(audio.destination);
    voice.start();
    this.#stop = () => voice.stop();
  }

  /** @param keep whether what was heard last stays on the screen */
  stop(keep = false) {
    clearInterval(this.#timer);
    this.#stop?.();
    this.#stop = this.#player = undefined;
    void this.#audio?.close();
    this.#audio = undefined;
    this.source = '';
    this.problem = '';
    if (!keep) this.hertz = undefined;
  }

  #open(source: Source): AudioContext {
    this.#audio = new AudioContext();
    void this.#audio.resume();
    this.source = source;
    return this.#audio;
  }

  #listen(audio: AudioContext): AnalyserNode {
    const analyser = audio.createAnalyser();
    analyser.fftSize = SAMPLES;
    const samples = new Float32Array(SAMPLES);
    const detector = PitchDetector.forFloat32Array(SAMPLES);
    const steady = new Steady();
    this.#timer = setInterval(() => {
      analyser.getFloatTimeDomainData(samples);
      const [hertz, clarity] = detector.findPitch(samples, audio.sampleRate);
      const found = steady.take(hertz, clarity);
      // the last one stays while a breath is taken
      if (found !== undefined) this.hertz = found;
    }, EVERY_MS);
    return analyser;
  }
}
