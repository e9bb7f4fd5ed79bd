import { expect, test } from 'vitest';
import { help as en } from '../words/help.en';
import { help as es } from '../words/help.es';
import { placeOf } from './help';

test('both languages tell the same things', () => {
  const shape = (h: typeof en) =>
    h.places.map((p) => [p.id, p.steps.length, p.questions.length] as const);
  expect(shape(es)).toEqual(shape(en));
  expect(es.glossary.length).toBe(en.glossary.length);
  en.glossary.forEach(([term], i) => {
    if (term !== 'MusicXML') expect(es.glossary[i]![0]).not.toBe(term);
  });
});

test('each page of the application has its place in the help', () => {
  const ids = en.places.map((p) => p.id);
  for (const [path, place] of [
    ['/', 'today'],
    ['/stand/1/5', 'stand'],
    ['/simpler/1/5', 'stand'],
    ['/ear/class/1', 'ear'],
    ['/shelf/book/Tidemarks', 'shelf'],
    ['/parts/3', 'paper'],
    ['/chart/flute', 'paper'],
    ['/scale', 'paper'],
    ['/people/group/1', 'people'],
    ['/removed', 'people'],
    ['/notes/flute', 'notes'],
    ['/help', 'today'],
    ['/help/ear', 'ear']
  ] as const) {
    expect(placeOf(path), path).toBe(place);
    expect(ids).toContain(place);
  }
});
