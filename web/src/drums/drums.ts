import type { Schemas } from '../api/client';
import type { Note } from '../stand/lanes';

type Drums = Schemas['DrumView'];

/** Where the part of a student stands: who plays drums has a page of another kind. */
export const standOf = (student: { id: number; drums: boolean }, piece: number) =>
  `/${student.drums ? 'drums' : 'stand'}/${student.id}/${piece}`;

/** A stroke as the page draws a note: its hand stands where a fingering would. */
function note(s: Drums['strokes'][number], hand: (h: string) => string): Note {
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
    fingering: s.text,
    label: hand(s.hand),
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

/**
 * A part without pitches as one with them is shown, played and printed.
 *
 * @param hand names a hand, R or L
 */
export function asStand(view: Drums, hand: (h: string) => string): Schemas['StandView'] {
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
      notes: view.strokes.map((s) => note(s, hand)),
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
