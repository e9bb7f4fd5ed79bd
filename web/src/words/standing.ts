import type { Schemas } from '../api/client';

/** What was heard, as the API names it. */
export type Grade = Schemas['MarkView']['grade'];
/** How a note stands: its grade, or that it was not heard for long. */
export type Standing = Grade | 'FADED';
export const GRADES: Grade[] = ['SECURE', 'SHAKY', 'NOT_YET'];

/** How far a player has got. */
export type Stage = Schemas['GroupView']['stage'];
export const STAGES: Stage[] = ['FIRST_YEARS', 'SCHOOL', 'ADVANCED'];

/** The mark beside a student who is so far ready for a piece. */
export const MARKS: Record<Schemas['ReadyView']['state'], Standing | undefined> = {
  READY: 'SECURE',
  SHAKY: 'SHAKY',
  HARD: 'SHAKY',
  FADED: 'FADED',
  LACKS: 'NOT_YET',
  // rhythm and sticking: nothing is marked that was not heard
  DRUMS: undefined,
  NONE: 'NOT_YET',
  ODD: 'NOT_YET'
};

/** The mark of a note on a map, a chart or a grid; what was never heard has none. */
export const STANDINGS: Record<Schemas['MapNote']['state'], Standing | undefined> = {
  HAS: 'SECURE',
  SHAKY: 'SHAKY',
  FADED: 'FADED',
  TRIED: 'NOT_YET',
  OPEN: undefined
};
