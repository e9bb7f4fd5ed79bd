import { expect, test } from 'vitest';
import { Loaded } from './load.svelte';

const later = <T>(value: T, ms: number) =>
  new Promise<T>((done) => setTimeout(() => done(value), ms));

test('a late answer does not overwrite that of a newer question', async () => {
  const page = new Loaded<string>();
  const slow = page.ask(() => later('everything on the shelf', 40));
  const quick = page.ask(() => later('what is assigned', 5));
  await Promise.all([slow, quick]);
  expect(page.value).toBe('what is assigned');
  expect(page.busy).toBe(false);
});

test('a late failure is not told of a newer question', async () => {
  const page = new Loaded<string>();
  const slow = page.ask(async () => {
    await later('', 30);
    throw new Error('The group is not here any more.');
  });
  await page.ask(() => later('here', 1));
  await slow;
  expect(page.problem).toBe('');
  expect(page.value).toBe('here');
});

test('after the page is left nothing comes any more', async () => {
  const page = new Loaded<string>();
  const asked = page.ask(() => later('late', 5));
  page.drop();
  await asked;
  expect(page.value).toBeUndefined();
});

test('what failed can be asked again', async () => {
  const page = new Loaded<string>();
  let up = false;
  const question = async () => {
    if (!up) throw new Error('Sempre does not answer.');
    return 'here';
  };
  await page.ask(question);
  expect(page.problem).toBe('Sempre does not answer.');
  up = true;
  await page.again();
  expect(page.value).toBe('here');
  expect(page.problem).toBe('');
});
