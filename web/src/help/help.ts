/** What is told of a place: what it is for, how it goes, what is asked about it. */
interface HelpPlace {
  id: string;
  name: string;
  lead: string;
  /** of its picture */
  caption: string;
  steps: string[];
  questions: { ask: string; answer: string }[];
}

/** The help in one language. */
export interface Help {
  title: string;
  steps: string;
  questions: string;
  terms: string;
  places: HelpPlace[];
  /** a term, and what it means */
  glossary: [string, string][];
}

const WHOLE = /^\/(sheet|parts|chart|scale)(\/|$)/;

/** Which place an address is in, for the help that belongs to it. */
export function placeOf(path: string): string {
  if (WHOLE.test(path)) return 'paper';
  const [, first = '', second = 'today'] = path.split('/');
  if (first === 'help') return second;
  if (first === 'removed') return 'people';
  if (['drums', 'simpler', 'practice', 'tools'].includes(first)) return 'stand';
  return first || 'today';
}
