import { createStore, delMany, entries, get, set, type UseStore } from 'idb-keyval';
import { options, type How } from './options';

/**
 * What was engraved before, so that a part opened again stands there at once: the last few in
 * memory, more of them in the browser's database. Kept by content, width and the engraver's version
 * and options, so it can't be out of date; no name of a student stands in it.
 */

/** Parts in memory. */
const NEAR = 12;
/** Parts in the database, about 60 kB each; of more than this the oldest go. */
const MOST = 200;

interface Kept {
  at: number;
  lines: Blob;
}

const near = new Map<string, string[]>();
let opened: UseStore | undefined;
const store = () => (opened ??= createStore('sempre-engraved', 'lines'));

const together = (xml: string, how: How) => JSON.stringify([__ENGRAVER__, options(how)]) + xml;

/** A short name for a long text; nothing where the browser has none to give. */
async function digest(text: string): Promise<string | undefined> {
  if (!globalThis.crypto?.subtle) return undefined;
  const bytes = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text));
  return Array.from(new Uint8Array(bytes), (b) => b.toString(16).padStart(2, '0')).join('');
}

const through = (data: Blob, by: CompressionStream | DecompressionStream) =>
  new Response(data.stream().pipeThrough(by));

function remember(text: string, lines: string[]) {
  near.delete(text);
  near.set(text, lines);
  for (const oldest of near.keys()) {
    if (near.size <= NEAR) break;
    near.delete(oldest);
  }
}

/** Lines that are in memory. */
export function atHand(xml: string, how: How): string[] | undefined {
  const text = together(xml, how);
  const lines = near.get(text);
  if (lines) remember(text, lines);
  return lines;
}

/** Lines that were engraved on an earlier visit; nothing where there are none or none can be kept. */
export async function kept(xml: string, how: How): Promise<string[] | undefined> {
  try {
    const text = together(xml, how);
    const name = await digest(text);
    const found = name && (await get<Kept>(name, store()));
    if (!found) return undefined;
    const read = await through(found.lines, new DecompressionStream('gzip')).text();
    const lines = JSON.parse(read) as string[];
    remember(text, lines);
    return lines;
  } catch {
    return undefined;
  }
}

/** Keeps what was engraved. */
export async function keep(xml: string, how: How, lines: string[]) {
  const text = together(xml, how);
  remember(text, lines);
  try {
    const name = await digest(text);
    if (!name) return;
    const packed = through(new Blob([JSON.stringify(lines)]), new CompressionStream('gzip'));
    await set(name, { at: Date.now(), lines: await packed.blob() } satisfies Kept, store());
    const all = await entries<string, Kept>(store());
    const old = all.sort(([, a], [, b]) => b.at - a.at).slice(MOST);
    if (old.length)
      await delMany(
        old.map(([key]) => key),
        store()
      );
  } catch {
    // without storage a part is engraved each time
  }
}
