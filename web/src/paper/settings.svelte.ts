import { tick } from 'svelte';
import { Kept } from '../lib/kept.svelte';
import { pictures } from '../notes/pictures.svelte';

export type Which = 'none' | 'new' | 'all';
export type Paper = 'A4' | 'LETTER';
/** How high a staff may be, in mm; what stands on a stand is read from an arm's length and more. */
export const STAVES = [7, 7.5, 8] as const;

/** Width and height of a sheet and the margin all round, in mm. */
const SIZES = {
  A4: { width: 210, height: 297 },
  LETTER: { width: 215.9, height: 279.4 }
};
export const MARGIN = 12;

/** Where letters are printed on Letter: by the region of the browser's language. */
const LETTER_REGIONS = ['US', 'CA', 'MX', 'CL', 'CO', 'CR', 'GT', 'PA', 'PH', 'PR', 'SV', 'VE'];
const region = globalThis.navigator?.language.split('-')[1]?.toUpperCase() ?? '';

/** what the address asks for holds for this page alone */
const asked = new URLSearchParams(globalThis.location?.search);
/** whether the page is opened to be printed, with nobody before it */
export const unattended = asked.has('print');

let saying = 0;

/**
 * Says whether the page stands there as it will be printed; who prints unattended waits for it. A
 * page that says nothing is printed when nothing is left to come.
 */
export function printable(is: boolean) {
  const now = ++saying;
  const say = () => {
    if (now === saying) document.documentElement.dataset.printable = is ? 'yes' : 'no';
  };
  // a picture of a fingering may still be on its way
  if (is) void pictures.load().then(tick).then(say);
  else say();
}

/** How this browser prints parts; kept, since its printer and its players stay the same. */
class Settings {
  #paper = new Kept<Paper>('paper', LETTER_REGIONS.includes(region) ? 'LETTER' : 'A4');
  #staff = new Kept<number>('paper-staff', 7.5);
  #fingerings = new Kept<Which>('paper-fingerings', 'new');
  #names = new Kept<Which>('paper-names', 'none');

  get paper(): Paper {
    const here = asked.get('paper');
    return here === 'A4' || here === 'LETTER' ? here : this.#paper.value;
  }
  set paper(to: Paper) {
    this.#paper.value = to;
  }
  /** height of a staff in mm */
  get staff() {
    return this.#staff.value;
  }
  set staff(to: number) {
    this.#staff.value = to;
  }
  get fingerings() {
    return this.#fingerings.value;
  }
  set fingerings(to: Which) {
    this.#fingerings.value = to;
  }
  /** names over the notes */
  get names() {
    return this.#names.value;
  }
  set names(to: Which) {
    this.#names.value = to;
  }
  /** what is left of a sheet within its margins, in mm */
  get room() {
    const { width, height } = SIZES[this.paper];
    return { width: width - 2 * MARGIN, height: height - 2 * MARGIN };
  }
}

export const settings = new Settings();
