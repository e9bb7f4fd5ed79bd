import { parse } from 'svelte/compiler';
import { describe, expect, test } from 'vitest';
import { en } from './en';
import { es } from './es';

type Entry = string | ((...args: never[]) => string);
/** Every entry of a dictionary by its path: stand.play. */
function entries(of: object, before = ''): [string, Entry][] {
  return Object.entries(of).flatMap(([key, value]) =>
    typeof value === 'object'
      ? entries(value, `${before}${key}.`)
      : [[before + key, value as Entry] as [string, Entry]]
  );
}
const EN = new Map(entries(en));
const ES = new Map(entries(es));

/** The sources of the interface by their names. */
const sources: [string, string][] = Object.entries(
  import.meta.glob<string>('../**/*.{svelte,ts}', { query: '?raw', import: 'default', eager: true })
).filter(([f]) => !f.endsWith('.test.ts'));

describe('the dictionaries', () => {
  test('say the same things', () => {
    expect([...ES.keys()].sort()).toEqual([...EN.keys()].sort());
  });

  /** Marks that no sentence has by itself. */
  const said = (e: Entry, n: number) =>
    typeof e === 'string'
      ? e
      : (e as (...args: unknown[]) => string)(
          ...Array.from({ length: e.length }, (_, i) => (i === n ? 7001 : 9100 + i))
        );

  test('leave out nothing of what they are given', () => {
    for (const [key, e] of EN) {
      if (typeof e === 'string' || /bars(List|Lead)$/.test(key)) continue;
      for (const other of [e, ES.get(key)!])
        for (let i = 0; i < e.length; i++) {
          // a number may only choose the form of a word
          const told = said(other, i).includes('7001');
          const english = said(e, i).includes('7001');
          expect(told, `${key}: what is given as ${i + 1}`).toBe(english);
        }
    }
  });

  /** The same word in both languages. */
  const SAME = new Set(['sheet', 'Tempo', 'do re mi', 'cm', 'p']);
  test('are written in their language', () => {
    for (const [key, e] of EN) {
      if (/bars(List|Lead)$/.test(key)) continue;
      const [a, b] = [said(e, -1), said(ES.get(key)!, -1)];
      const bare = a.replace(/\d+|[\s:;,.·()]|Sempre/g, '');
      if (!/\p{L}{3}/u.test(bare) || SAME.has(a)) continue;
      expect(b, key).not.toBe(a);
    }
  });

  test('have no entry that nothing asks for', () => {
    const all = sources
      .filter(([f]) => !/\/e[ns]\.ts$/.test(f))
      .map(([, code]) => code)
      .join('\n')
      .replace(/\s+\./g, '.');
    const unused = [...EN.keys()].filter((key) => {
      const [section, name] = key.split('.');
      return !all.includes(`.${section}.${name}`) && !all.includes(`.${section}[`);
    });
    expect(unused).toEqual([]);
  });
});

interface Node {
  type?: string;
  name?: string;
  data?: string;
  value?: unknown;
}
/** What a person sees or hears of an attribute. */
const SHOWN =
  /^(label|aria-label|labelText|placeholder|text|title|description|legendText|helperText|invalidText|subtitle|modalHeading|(primary|secondary)ButtonText|heading|more|alt)$/;
const WORDS = /\p{L}{2}/u;
/** Words that follow one another, in a string of the code. */
const SENTENCE = /\p{L}{2} \p{Ll}{2}/u;
const NO_WORDS = /^(StyleSheet|StyleDirective|Comment|ImportDeclaration|TS.*Type.*)$/;

/** Words that stand in markup itself and not in a dictionary. */
function loose(node: unknown, found: string[] = [], key = false): string[] {
  if (Array.isArray(node)) node.forEach((n) => loose(n, found, key));
  else if (node && typeof node === 'object') {
    const n = node as Node;
    if (n.type && NO_WORDS.test(n.type)) return found;
    if (n.type === 'Literal' || n.type === 'TemplateElement') {
      const said = JSON.stringify(n.value);
      if (SENTENCE.test(said)) found.push(said);
      return found;
    }
    if (n.type === 'Attribute') {
      if (n.name === 'class' || n.name === 'transform') return found;
      if (SHOWN.test(n.name ?? '') && Array.isArray(n.value))
        for (const v of n.value as Node[])
          if (v.type === 'Text' && WORDS.test(v.data ?? '')) found.push(`${n.name}=${v.data}`);
      loose(
        (Array.isArray(n.value) ? n.value : [n.value]).filter((v: Node) => v && v.type !== 'Text'),
        found
      );
      return found;
    }
    if (n.type === 'Text' && WORDS.test(n.data ?? '') && !key) found.push(n.data!.trim());
    const inKey = key || (n.type === 'RegularElement' && n.name === 'kbd');
    for (const [k, v] of Object.entries(node)) if (k !== 'parent') loose(v, found, inKey);
  }
  return found;
}

test('no page has words of its own', () => {
  expect(sources.length).toBeGreaterThan(60);
  for (const [f, code] of sources.filter(([name]) => name.endsWith('.svelte'))) {
    const { fragment, instance } = parse(code, { modern: true });
    expect(
      loose([fragment, instance?.content]).filter((t) => t !== 'Sempre'),
      f
    ).toEqual([]);
  }
});
