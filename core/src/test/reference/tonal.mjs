// Writes core/src/test/resources/tonal-transpositions.csv with the music theory library "tonal"
// (MIT, npm): npm install tonal@6.2.0 && node tonal.mjs > ../resources/tonal-transpositions.csv
// Every spelled note of three octaves, moved by each interval by which an instrument transposes.
import { Note } from 'tonal';

const intervals = ['1P', '-2M', '3m', '-4P', '-5P', '-6M', '8P', '-9M', '-13M', '-8P', '2M'];
console.log('interval,written,midi,sounding');
for (const interval of intervals)
  for (const octave of [3, 4, 5])
    for (const letter of 'CDEFGAB')
      for (const accidental of ['b', '', '#']) {
        const written = letter + accidental + octave;
        console.log([interval, written, Note.midi(written), Note.transpose(written, interval)].join(','));
      }
