import type { Unzipped } from 'fflate';
import { api, asked, type Schemas } from '../api/client';

/** A file that is brought in, with what an archive says of it. */
export interface Item {
  /** with the folders it lies in */
  name: string;
  file: File;
  number?: string;
  page?: string;
  title?: string;
  pages?: string;
  /** the page of the book that it was typed from */
  picture?: File;
}

/** What a folder or an archive holds. */
export interface Found {
  /** the book's name, where the archive says it, or that of the folder */
  book: string;
  items: Item[];
  /** names of files that are no music */
  others: string[];
}

const MUSIC = /\.(musicxml|xml|mxl|abc|midi?)$/i;
/** What systems leave behind in folders and archives. */
const RUBBISH = /(^|\/)(__MACOSX\/|\.|Thumbs\.db$|desktop\.ini$)/i;
/** Numbers as numbers: 2 before 10. */
export const byName = new Intl.Collator(undefined, { numeric: true }).compare;

const last = (path: string) => path.slice(path.lastIndexOf('/') + 1);
const asFile = (bytes: Uint8Array, name: string, type = '') =>
  new File([bytes as Uint8Array<ArrayBuffer>], last(name), { type });

/** Sorts music from other files; in the order of their names, numbers as numbers. */
export function sorted(files: Item[]): Omit<Found, 'book'> {
  const kept = files.filter((f) => !RUBBISH.test(f.name)).sort((a, b) => byName(a.name, b.name));
  return {
    items: kept.filter((f) => MUSIC.test(f.name)),
    others: kept.filter((f) => !MUSIC.test(f.name)).map((f) => f.name)
  };
}

interface Description {
  form: string;
  title: string;
  exercises: (Record<'number' | 'page' | 'title' | 'pages' | 'music', string> & {
    picture?: string;
    pictureType?: string;
  })[];
}

/** What an archive holds: a book that was saved as one, or any files. */
export function ofArchive(archive: string, entries: Unzipped): Found {
  const book = archive.replace(/\.zip$/i, '');
  const said = entries['book.json'];
  if (said) {
    const d = JSON.parse(new TextDecoder().decode(said)) as Description;
    if (d.form === 'sempre-book-1') {
      const items = d.exercises.flatMap((e): Item[] => {
        const music = entries[e.music];
        if (!music) return [];
        const picture = e.picture && entries[e.picture];
        return [
          {
            name: e.music,
            file: asFile(music, e.music.replace(/^music\/\d+-/, '')),
            number: e.number,
            page: e.page,
            title: e.title,
            pages: e.pages,
            ...(picture && { picture: asFile(picture, e.picture!, e.pictureType) })
          }
        ];
      });
      const there = new Set(d.exercises.map((e) => e.music));
      const lacking = [...there].filter((m) => !entries[m]);
      return { book: d.title, items, others: lacking };
    }
  }
  const files = Object.entries(entries)
    .filter(([name]) => !name.endsWith('/'))
    .map(([name, bytes]) => ({ name, file: asFile(bytes, name) }));
  return { book, ...sorted(files) };
}

/** Keeps a page beside a piece: the paper that it was typed from. */
export function putPage(id: number, file: File) {
  const form = new FormData();
  form.append('file', file);
  return asked(
    api.PUT('/api/pieces/{id}/page', {
      params: { path: { id } },
      body: form as never,
      bodySerializer: (f: unknown) => f as FormData
    })
  );
}

/** Brings one file of a book, with the page that it was typed from. */
export async function bringOne(item: Item, book: string): Promise<Schemas['BroughtView'][]> {
  const form = new FormData();
  form.append('file', item.file);
  form.append('book', book);
  for (const k of ['number', 'page', 'title', 'pages'] as const) {
    if (item[k]) form.append(k, item[k]);
  }
  const as = { body: form as never, bodySerializer: (f: unknown) => f as FormData };
  const pieces = await asked(
    api.POST('/api/book/pieces', { params: { query: {} }, ...as } as never)
  );
  const brought = pieces as Schemas['BroughtView'][];
  for (const p of brought) if (item.picture && !p.again) await putPage(p.id, item.picture);
  return brought;
}
