import { api, asked, type Schemas } from '../api/client';
import { read } from '../lib/kept.svelte';
import type { Criterion } from '../audition/sheet.svelte';
import type { Grade } from '../words/standing';
import type { Marked, Press } from './pending';

/** A grade for one note of a part. */
export interface HeardPress extends Marked {
  written: string;
  fingering: string;
  grade: Grade;
  bars: string;
  remark: string;
}

/** A section, played once at a tempo. */
export interface Run extends Marked {
  first: string;
  last: string;
  quarters: number;
  clean: boolean;
}

/** What a judge has touched: one criterion, or the remark, or the whole sheet is handed in. */
export interface Touch extends Marked {
  judge: string;
  points: Partial<Record<Criterion, number>>;
  remark?: string;
  handedIn: boolean;
}

/** How long ago it was pressed: two devices' clocks may differ, this does not. */
const headers = (p: Marked) => ({
  'Sempre-Age': String(Math.max(0, p.at ? Date.now() - Date.parse(p.at) : 0))
});

export const sendGrade = (id: number, p: Press) => {
  const { studentId, item, grade, remark, notes, mark } = p;
  return asked(
    api.POST('/api/checks/{id}/grades', {
      params: { path: { id } },
      body: { studentId, item, grade, remark, notes, mark },
      headers: headers(p)
    })
  );
};

export const sendHeard = async (studentId: number, pieceId: number, p: HeardPress) => {
  const { written, fingering, grade, bars, remark, mark } = p;
  const ids = await asked(
    api.POST('/api/students/{studentId}/heard', {
      params: { path: { studentId } },
      body: [{ written, fingering, grade, pieceId, bars, remark, mark }],
      headers: headers(p)
    })
  );
  return ids[0]!;
};

export const sendRun = (studentId: number, pieceId: number, p: Run) => {
  const { first, last, quarters, clean, mark } = p;
  return asked(
    api.POST('/api/stand/{studentId}/{pieceId}/runs', {
      params: { path: { studentId, pieceId } },
      body: { first, last, quarters, clean, mark },
      headers: headers(p)
    })
  );
};

export const sendTouch = (mockId: number, p: Touch) =>
  asked(
    api.PUT('/api/mocks/{mockId}/sheet', {
      params: { path: { mockId } },
      body: {
        judge: p.judge,
        device: read<string>('device') ?? '',
        points: p.points as Record<string, number>,
        handedIn: p.handedIn,
        ...(p.remark !== undefined && { remark: p.remark })
      } as Schemas['SheetBody']
    })
  );

/** By what each list is called: how it is sent, and the page that sends it itself when it is open. */
const SENDERS: [RegExp, string, (ids: number[], press: never) => Promise<unknown>][] = [
  [/^check-(\d+)$/, '/ear/check/$1', ([id], p) => sendGrade(id!, p)],
  [/^part-(\d+)-(\d+)$/, '/ear/$1/$2', ([student, piece], p) => sendHeard(student!, piece!, p)],
  [/^runs-(\d+)-(\d+)$/, '/practice/$1/$2', ([student, piece], p) => sendRun(student!, piece!, p)],
  [/^sheet-(\d+)$/, '/people/mock/$1', ([id], p) => sendTouch(id!, p)]
];

/** How what waits under a name is sent, whatever page is open. */
export function sender(name: string): ((press: Marked) => Promise<unknown>) | undefined {
  for (const [named, , send] of SENDERS) {
    const found = named.exec(name);
    if (found) return (press) => send(found.slice(1).map(Number), press as never);
  }
  return undefined;
}

/** Whether a page sends what waits under a name itself, and shows it. */
export const isOwn = (name: string, path: string) =>
  SENDERS.some(([named, page]) => named.test(name) && name.replace(named, page) === path);
