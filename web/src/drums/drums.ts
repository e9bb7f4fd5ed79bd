import type { Schemas } from '../api/client';
import type { Note } from '../stand/lanes';
import type { Language } from '../words/language';
import { wordsOf } from '../words/ui';

type Drums = Schemas['DrumView'];

/** Where the part of a student stands: who plays drums has a page of another kind. */
export const standOf = (student: { id: number; drums: boolean }, piece: number) =>
  `/${student.drums ? 'drums' : 'stand'}/${student.id}/${piece}`;

/** What each hand is called, or its letter. */
interface Hands {
  R: string;
  L: string;
}

/** R, lR and the like with the letters of a language: a small letter is a grace note. */
export const lettered = (text: string, letters: Hands) =>
  text.replace(/[RrLl]/g, (c) => {
    const letter = letters[c.toUpperCase() as 'R' | 'L'];
    return c < 'a' ? letter : letter.toLowerCase();
  });

/** A stroke as the page draws a note: its hand stands where a fingering would. */
function note(s: Drums['strokes'][number], hands: Hands, letters: Hands): Note {
  return {
    id: s.id,
    tied: s.tied,
    bar: s.bar,
    barNumber: s.barNumber,
    beat: s.beat,
    printed: s.printed,
    written: '',
    shown: '',
    sounding: '',
    writtenMidi: s.midi,
    soundingMidi: s.midi,
    at: s.at,
    seconds: s.seconds,
    quarter: s.quarter,
    fingering: lettered(s.text, letters),
    label: hands[s.hand as 'R' | 'L'] ?? '',
    usual: true,
    isNew: false,
    unlearned: false,
    locked: s.said,
    standing: 'OPEN',
    faded: false,
    holds: [],
    slideCm: 0,
    reasons: [],
    caution: '',
    ornament: '',
    trill: [],
    kept: [],
    figure: 1,
    alternatives: []
  };
}

/** A stroke with the hand that was pressed and has not been answered. */
export function asPressed(s: Drums['strokes'][number], hand: 'R' | 'L' | undefined) {
  if (!hand) return s;
  const grace = (hand === 'R' ? 'l' : 'r').repeat(s.text.length - 1);
  return { ...s, hand, text: grace + hand, said: true, why: '' };
}

/** A part without pitches as one with them is shown, played and printed. */
export function asStand(view: Drums): Schemas['StandView'] {
  const words = wordsOf(view.language.toLowerCase() as Language);
  return {
    ...view,
    section: [],
    ways: {},
    voice: 1,
    remarks: [],
    breaths: [],
    simpler: '',
    kind: 'NONE',
    keys: [],
    lanes: [],
    slideGuides: [],
    plan: {
      cost: 0,
      notes: view.strokes.map((s) => note(s, words.drums.hands, words.drums.letters)),
      pictures: [],
      moves: [],
      newNotes: [],
      missing: [],
      canUndo: false,
      canRedo: false
    }
  };
}

/** What stands under the music of drums on paper. */
export const asSheet = (view: Drums): Schemas['SheetView'] => ({
  instrument: view.student.instrument,
  kind: 'NONE',
  keys: [],
  guides: [],
  told: [],
  remark: view.sticking
});
