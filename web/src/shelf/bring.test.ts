import { zipSync, unzipSync, strToU8 } from 'fflate';
import { expect, test } from 'vitest';
import { ofArchive, sorted } from './bring';

const file = (name: string) => ({ name, file: new File(['x'], name) });

test('files come in the order of their numbers, without what is no music', () => {
  const { items, others } = sorted(
    ['b/10 C.mxl', 'b/2 B.xml', 'b/cover.pdf', 'b/.DS_Store', '__MACOSX/b/2 B.xml'].map(file)
  );
  expect(items.map((i) => i.name)).toEqual(['b/2 B.xml', 'b/10 C.mxl']);
  expect(others).toEqual(['b/cover.pdf']);
});

test('a book that was saved comes back with what was said of each exercise', () => {
  const description = {
    form: 'sempre-book-1',
    title: 'Pebbles',
    exercises: [
      {
        number: '7',
        page: '12',
        title: 'Deep Pool',
        pages: 'CONCERT',
        music: 'music/001-deep.xml',
        picture: 'pages/001-p.png',
        pictureType: 'image/png'
      },
      { number: '8', page: '', title: 'Lost', pages: 'AS_SAID', music: 'music/002-lost.xml' }
    ]
  };
  const zip = zipSync({
    'book.json': strToU8(JSON.stringify(description)),
    'music/001-deep.xml': strToU8('<a/>'),
    'pages/001-p.png': strToU8('png')
  });
  const found = ofArchive('anything.zip', unzipSync(zip));
  expect(found.book).toBe('Pebbles');
  expect(found.others).toEqual(['music/002-lost.xml']);
  expect(found.items).toHaveLength(1);
  const [one] = found.items;
  expect(one).toMatchObject({ number: '7', page: '12', title: 'Deep Pool', pages: 'CONCERT' });
  expect([one!.file.name, one!.picture?.name, one!.picture?.type]).toEqual([
    'deep.xml',
    '001-p.png',
    'image/png'
  ]);
});

test('any other archive is taken for the files in it', () => {
  const zip = zipSync({ 'in/1.abc': strToU8('X:1'), 'in/read me.txt': strToU8('-') });
  const found = ofArchive('Scales.zip', unzipSync(zip));
  expect([found.book, found.items.map((i) => i.name), found.others]).toEqual([
    'Scales',
    ['in/1.abc'],
    ['in/read me.txt']
  ]);
});
