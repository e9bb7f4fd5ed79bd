import { ui } from '../words/ui';
import { onPage } from './moves';
import { BY_NAME, type Note, type Plan } from './lanes';

/** From here on a change is called hard. */
const HARD = 0.5;

/** A note's name as it is said, its sign as a word. */
export const said = (shown: string) =>
  shown
    .replaceAll('𝄪', ` ${ui.stand.doubleSharp} `)
    .replaceAll('𝄫', ` ${ui.stand.doubleFlat} `)
    .replaceAll('♯', ` ${ui.stand.sharp} `)
    .replaceAll('♭', ` ${ui.stand.flat} `)
    .replace(/ +/g, ' ')
    .trim();

/** Each note of a part in a sentence, for who hears the page instead of seeing it. */
export function sentences(plan: Plan): { id: string; text: string }[] {
  const moves = onPage(plan);
  return plan.notes.map((n) => ({
    id: n.id,
    text: [
      [ui.stand.barBeat(n.barNumber, Math.round(n.beat * 100) / 100), said(n.shown)]
        .filter(Boolean)
        .join(': '),
      standing(n),
      n.fingering === BY_NAME ? '' : said(n.label),
      n.locked ? ui.stand.isKept : '',
      n.trill.length ? ui.stand.isTrill : '',
      (moves.get(n.id)?.difficulty ?? 0) >= HARD ? ui.stand.hardToReach : ''
    ]
      .filter(Boolean)
      .join(', ')
  }));
}

function standing(n: Note): string {
  if (n.isNew) return ui.stand.saidNew;
  if (n.unlearned) return ui.stand.otherFingering;
  return n.standing === 'SHAKY' ? ui.stand.wasShaky : '';
}
