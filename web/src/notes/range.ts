import type { Schemas } from '../api/client';

type Note = Schemas['TableNote'];

/** Staff lines of a clef; the notes of a range stand in bars of an octave without bar lines. */
const CLEFS = { treble: ['G', 2], bass: ['F', 4] } as const;

/** The whole range as stemless notes, for the engraver; the id of a note is its MIDI number. */
export function rangeXml(notes: Note[], clef: string, sounding: boolean, perLine: number): string {
  const [sign, line] = CLEFS[clef as keyof typeof CLEFS] ?? CLEFS.treble;
  const bars: string[] = [];
  for (let at = 0; at < notes.length; at += perLine) {
    const first = at === 0;
    const attributes = first
      ? `<attributes><divisions>1</divisions><key><fifths>0</fifths></key><time print-object="no"><beats>${perLine}</beats><beat-type>4</beat-type></time><clef><sign>${sign}</sign><line>${line}</line></clef></attributes>`
      : '<print new-system="yes"/>';
    bars.push(
      `<measure number="${bars.length + 1}">${attributes}${notes
        .slice(at, at + perLine)
        .map((n) => note(n, sounding))
        .join('')}<barline location="right"><bar-style>none</bar-style></barline></measure>`
    );
  }
  return `<?xml version="1.0" encoding="UTF-8"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name/></score-part></part-list><part id="P1">${bars.join('')}</part></score-partwise>`;
}

const SEMITONES: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** MIDI number of a written name such as Bb4; -1 when it is none. */
export function midiOf(name: string): number {
  const m = name.match(/^([A-G])(bb|b|#|x)?(-?\d+)$/);
  if (!m) return -1;
  const alter = { bb: -2, b: -1, '#': 1, x: 2 }[m[2] ?? ''] ?? 0;
  return 12 * (Number(m[3]) + 1) + SEMITONES[m[1]!]! + alter;
}

function note(n: Note, sounding: boolean): string {
  const m = (sounding ? n.sounding : n.written).match(/^([A-G])(bb|b|#|x)?(-?\d+)$/);
  if (!m) return '';
  const [, step, accidental = '', octave] = m;
  const alter = { bb: -2, b: -1, '#': 1, x: 2, '': 0 }[accidental] ?? 0;
  const sign = { '-2': 'flat-flat', '-1': 'flat', '1': 'sharp', '2': 'double-sharp' }[
    String(alter)
  ];
  return (
    `<note id="m${n.midi}"><pitch><step>${step}</step>` +
    (alter ? `<alter>${alter}</alter>` : '') +
    `<octave>${octave}</octave></pitch><duration>1</duration><voice>1</voice><type>quarter</type>` +
    (sign ? `<accidental>${sign}</accidental>` : '') +
    '<stem>none</stem></note>'
  );
}
