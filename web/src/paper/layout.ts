/** What stands beneath a line of music on paper: at a place along it, so wide. */
export interface Item {
  x: number;
  width: number;
}

/**
 * On which row each item stands so that none touches the one before on its row; the first row is 0.
 *
 * @param apart how much room is left between two
 */
export function levels(items: Item[], apart: number): number[] {
  const ends: number[] = [];
  return items.map(({ x, width }) => {
    const left = x - width / 2;
    let row = ends.findIndex((end) => end + apart <= left);
    if (row < 0) row = ends.push(0) - 1;
    ends[row] = x + width / 2;
    return row;
  });
}

/** A line of music: how high it is, and whether the player rests at its end. */
export interface Stave {
  height: number;
  rest: boolean;
}

/**
 * How many lines stand on each page. A page is filled, but where one has to turn, it ends at a rest
 * if there is one in its last third.
 *
 * @param first room on the first page, under its heading
 * @param room room on each other page
 */
export function pages(staves: Stave[], first: number, room: number): number[] {
  const counts: number[] = [];
  let at = 0;
  while (at < staves.length) {
    const most = counts.length ? room : first;
    let used = 0;
    let full = at;
    while (full < staves.length && (full === at || used + staves[full]!.height <= most))
      used += staves[full++]!.height;
    let end = full;
    if (full < staves.length) {
      let height = used;
      for (let i = full - 1; i > at && height >= (most * 2) / 3; i--) {
        if (staves[i]!.rest) {
          end = i + 1;
          break;
        }
        height -= staves[i]!.height;
      }
    }
    counts.push(end - at);
    at = end;
  }
  return counts;
}

/** How wide a text is in print, in the size of its letters; generous, since it is not measured. */
export const wide = (text: string) => [...text].reduce((sum, c) => sum + letter(c), 0);

function letter(c: string): number {
  if (' ·.,|'.includes(c) || c === '\u2009') return 0.28;
  if ('1ijlt'.includes(c)) return 0.5;
  if ('MWm♭♯'.includes(c)) return 0.8;
  return 0.62;
}

/** About how wide a note is at each distance of the notes, for a staff 7.5 mm high (tried out). */
const NOTE_MM = [10, 12.5, 15];

/**
 * How far apart the notes may stand, from 0 to 2, so that a part fits its sheet: a guess, to begin
 * with what will probably stay.
 *
 * @param notes how many
 * @param rows of pictures under the music, each `high` mm
 */
export function roomiest(
  notes: number,
  rows: number,
  high: number,
  room: { width: number; height: number },
  staff: number
): number {
  const taken = 28 + Math.ceil(rows) * (high + 4);
  const fits = (mm: number) =>
    Math.ceil((notes * mm * staff) / 7.5 / room.width) * 4.2 * staff + taken < room.height * 0.92;
  return NOTE_MM.reduce((best, mm, i) => (fits(mm) ? i : best), 0);
}
