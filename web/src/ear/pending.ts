/** A grade that was given and may not have reached the server yet. */
export interface Press {
  studentId: number;
  item: number;
  grade: 'SECURE' | 'SHAKY' | 'NOT_YET';
  remark: string;
  /** the notes that it is for, when it is not for all that were asked */
  notes: string[];
  /** names this press, so that one that is sent twice is written down once */
  mark: string;
}

const key = (check: number) => `sempre-check-${check}`;

/** What an earlier page of this check could not send; nothing when there is no storage. */
export function unsent(check: number): Press[] {
  try {
    return JSON.parse(localStorage.getItem(key(check)) ?? '[]') as Press[];
  } catch {
    return [];
  }
}

export function keepUnsent(check: number, list: Press[]) {
  try {
    if (list.length) localStorage.setItem(key(check), JSON.stringify(list));
    else localStorage.removeItem(key(check));
  } catch {
    // without storage what is unsent lives as long as the page
  }
}

/** A name for a press; plain pages have no crypto.randomUUID. */
export const mark = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) =>
    b.toString(16).padStart(2, '0')
  ).join('');
