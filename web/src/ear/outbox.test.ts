import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { school } from '../lib/school.svelte';
import { outbox } from './outbox.svelte';
import { dropStudent, keepUnsent, unsent, waitingHere } from './pending';
import { Queue } from './queue.svelte';

// a page has an address of its own that others are relative to
vi.hoisted(() => {
  const Plain = globalThis.Request;
  globalThis.Request = class extends Plain {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === 'string' ? new URL(input, 'http://localhost') : input, init);
    }
  };
});

const kept = new Map<string, string>();
const sent: { url: string; age: string | null; school: string | null }[] = [];
beforeEach(() => {
  kept.clear();
  sent.length = 0;
  vi.stubGlobal(
    'localStorage',
    new Proxy(
      {
        getItem: (k: string) => kept.get(k) ?? null,
        setItem: (k: string, v: string) => kept.set(k, v),
        removeItem: (k: string) => kept.delete(k)
      },
      {
        ownKeys: () => [...kept.keys()],
        getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true })
      }
    )
  );
  vi.stubGlobal('fetch', (r: Request) => {
    const { headers } = r;
    sent.push({
      url: new URL(r.url).pathname,
      age: headers.get('Sempre-Age'),
      school: headers.get('Sempre-School')
    });
    return Promise.resolve(new Response('{}', { headers: { 'Sempre-School': 'here' } }));
  });
  vi.stubGlobal('location', { pathname: '/ear/check/9' });
  school.id = 'here';
});
afterEach(() => vi.unstubAllGlobals());

const press = (studentId: number, at: Date) => ({
  studentId,
  item: 0,
  grade: 'SECURE' as const,
  remark: '',
  notes: [],
  mark: `m${studentId}`,
  at: at.toISOString()
});

test('what waits is sent from any page, with how long ago it was pressed, but not beside its own page', async () => {
  keepUnsent('check-7', press(1, new Date(Date.now() - 60_000)));
  keepUnsent('check-8', press(2, new Date()));
  // its page is on its way and will show it
  keepUnsent('check-9', press(3, new Date()));
  const open = new Queue(
    'check-8',
    () => Promise.reject(new Error()),
    () => {},
    () => '',
    String
  );
  await outbox.look();
  const marks = sent.filter((s) => s.url.startsWith('/api/checks'));
  expect(marks.map((s) => s.url)).toEqual(['/api/checks/7/grades']);
  expect(Number(marks[0]!.age)).toBeGreaterThanOrEqual(60_000);
  expect(marks[0]!.school).toBe('here');
  expect(waitingHere()).toEqual(['check-8', 'check-9']);
  open.stop();
});

test('what waits for another school is not sent, is shown, and can be thrown away', async () => {
  school.id = 'before the restore';
  keepUnsent('check-7', press(1, new Date()));
  school.id = 'here';
  await outbox.look();
  expect(sent.filter((s) => s.url.startsWith('/api/checks'))).toEqual([]);
  expect(outbox.elsewhere.flatMap((e) => e.presses.map((p) => p.mark))).toEqual(['m1']);
  outbox.throwAway();
  await outbox.look();
  expect(outbox.elsewhere).toEqual([]);
});

test('nothing waits for a student who was erased', () => {
  keepUnsent('check-7', press(1, new Date()));
  keepUnsent('check-7', press(2, new Date()));
  keepUnsent('part-1-5', press(1, new Date()));
  keepUnsent('part-11-5', press(11, new Date()));
  dropStudent(1);
  expect(waitingHere().sort()).toEqual(['check-7', 'part-11-5']);
  expect(unsent('check-7').map((p) => p.mark)).toEqual(['m2']);
});

test('what was kept before a school was known is this one’s', () => {
  kept.set('sempre-check-7', JSON.stringify([press(1, new Date())]));
  school.id = '';
  keepUnsent('check-8', press(2, new Date()));
  school.id = 'here';
  expect(waitingHere().sort()).toEqual(['check-7', 'check-8']);
  expect(unsent('check-8').map((p) => p.mark)).toEqual(['m2']);
});
