import { read } from '../lib/pitch';

/** A note to be drawn by itself. */
export interface Drawn {
  id: string;
  /** such as Bb4 */
  pitch: string;
}

const CLEFS = { treble: ['G', 2], bass: ['F', 4] } as const;

/** Stemless notes without bar lines, for the engraver. */
export function notesXml(notes: Drawn[], clef: string, perLine = notes.length): string {
  const [sign, line] = CLEFS[clef as keyof typeof CLEFS] ?? CLEFS.treble;
  const bars: string[] = [];
  for (let at = 0; at < notes.length; at += perLine) {
    const attributes =
      at === 0
        ? `<attributes><divisions>1</divisions><key><fifths>0</fifths></key><time print-object="no"><beats>${perLine}</beats><beat-type>4</beat-type></time><clef><sign>${sign}</sign><line>${line}</line></clef></attributes>`
        : '<print new-system="yes"/>';
    bars.push(
      `<measure number="${bars.length + 1}">${attributes}${notes
        .slice(at, at + perLine)
        .map(note)
        .join('')}<barline location="right"><bar-style>none</bar-style></barline></measure>`
    );
  }
  return `<?xml version="1.0" encoding="UTF-8"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name/></score-part></part-list><part id="P1">${bars.join('')}</part></score-partwise>`;
}

const SIGNS: Record<number, string> = {
  [-2]: 'flat-flat',
  [-1]: 'flat',
  1: 'sharp',
  2: 'double-sharp'
};

function note({ id, pitch }: Drawn): string {
  const n = read(pitch);
  if (n?.octave === undefined) return '';
  const sign = SIGNS[n.alter];
  return (
    `<note id="${id}"><pitch><step>${n.letter}</step>` +
    (n.alter ? `<alter>${n.alter}</alter>` : '') +
    `<octave>${n.octave}</octave></pitch><duration>1</duration><voice>1</voice><type>quarter</type>` +
    (sign ? `<accidental>${sign}</accidental>` : '') +
    '<stem>none</stem></note>'
  );
}
