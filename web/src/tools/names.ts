import { alone, read, shown } from '../lib/pitch';
import { ways } from '../ways.svelte';

const OCTAVE = 12;

/** What a sounding note is called, with its octave, from its MIDI number. */
export const nameOf = (midi: number) =>
  shown(read(alone(ways.now.chromatic)[midi % OCTAVE]!)!, ways.naming) +
  String(Math.floor(midi / OCTAVE) - 1);
