import { afterEach, expect, test, vi } from 'vitest';
import { api, asked, Problem, refusal } from './client';

// a page has an address of its own that others are relative to
vi.hoisted(() => {
  const Plain = globalThis.Request;
  globalThis.Request = class extends Plain {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === 'string' ? new URL(input, 'http://localhost') : input, init);
    }
  };
});
afterEach(() => vi.unstubAllGlobals());

/** A server that gives these answers one after the other. */
function answers(...list: Response[]) {
  const seen: string[] = [];
  vi.stubGlobal('fetch', async (r: Request) => {
    if (!r.url.endsWith('/api/styles')) seen.push(`${r.method} ${await r.text()}`);
    return r.url.endsWith('/api/styles') ? json(200, { all: {} }) : (list.shift() ?? json(500, {}));
  });
  return seen;
}
const json = (status: number, body: unknown, headers: Record<string, string> = {}) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'Content-Type': 'application/json', ...headers }
  });
const ask = () =>
  asked(api.POST('/api/checks/{id}/finish', { params: { path: { id: 7 } }, body: true }));

test('a server with too much to do is asked again when it says so, with the same words', async () => {
  const busy = () => json(503, { detail: 'Too much is asked at once.' }, { 'Retry-After': '0' });
  const seen = answers(busy(), busy(), json(200, { id: 7 }));
  expect(await ask()).toEqual({ id: 7 });
  expect(seen).toEqual(['POST true', 'POST true', 'POST true']);
});

test('what a server says of its disk is told at once', async () => {
  const seen = answers(json(503, { detail: 'The disk is full, so nothing was kept.' }));
  await expect(ask()).rejects.toThrow('The disk is full');
  expect(seen.length).toBe(1);
});

test('what is refused for good is told from what may yet be answered', () => {
  expect(refusal(new Problem('This student is not here any more.', 404))).toBe(
    'This student is not here any more.'
  );
  for (const status of [0, 408, 429, 500, 503])
    expect(refusal(new Problem('Later.', status))).toBeUndefined();
});
