import createClient from 'openapi-fetch';
import { by } from '../by.svelte';
import { school } from '../lib/school.svelte';
import { ways } from '../ways.svelte';
import type { components, paths } from './schema';
import { language, ownNames, sheet } from '../words/language';
import { ui } from '../words/ui';

export type Schemas = components['schemas'];
/** How often a server that has too much to do is asked again before that is told. */
const TIMES = 4;

/** Asks; a server that says when to come again has done nothing yet, and is asked again then. */
async function patiently(request: Request): Promise<Response> {
  for (let left = TIMES; ; left--) {
    const answer = await fetch(request.clone());
    const seconds = Number(answer.headers.get('Retry-After') ?? NaN);
    if (left === 0 || answer.status !== 503 || !(seconds <= 10)) return answer;
    // not all at the same moment
    await new Promise((r) => setTimeout(r, (seconds + Math.random()) * 1000));
  }
}

export const api = createClient<paths>({ baseUrl: '/', fetch: patiently });
/** Who marks, and how the page is written, is said with every request; a header takes plain letters only. */
api.use({
  onRequest({ request }) {
    if (by.name) request.headers.set('Sempre-By', encodeURIComponent(by.name));
    request.headers.set('Sempre-Language', language);
    // on a student's sheet the student's way counts before the teacher's
    const names = sheet.names ?? (request.headers.has('Sempre-Sheet') ? '' : ownNames);
    if (names) request.headers.set('Sempre-Names', names);
    // a change is meant for the school that the page shows
    if (school.id && request.method !== 'GET') request.headers.set('Sempre-School', school.id);
    return request;
  },
  onResponse({ response }) {
    school.answered(response.headers.get('Sempre-School'));
  }
});

/** What went wrong, as a sentence for the person in front of the screen. */
export class Problem extends Error {
  constructor(
    message = '',
    /** the server's; 0 where it did not answer */
    readonly status = 0
  ) {
    super(message);
  }
}

/** It was not done in time, or too much was asked at once: said no to for now only. */
const FOR_NOW = [408, 425, 429];

/** A sentence when the server has said no, and would say so again; nothing when it may yet answer. */
export const refusal = (e: unknown) =>
  e instanceof Problem &&
  e.status >= 400 &&
  e.status < 500 &&
  !FOR_NOW.includes(e.status) &&
  // another school's data say nothing of what was meant for this one: it waits for them
  !school.other
    ? e.message
    : undefined;

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** Waits for an answer; throws a Problem with a sentence where there is none. */
export async function asked<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch {
    throw new Problem(ui.all.noAnswer);
  }
  if (!answer.response.ok) {
    const detail = (answer.error as { detail?: string } | undefined)?.detail;
    throw new Problem(detail ?? ui.all.answered(answer.response.status), answer.response.status);
  }
  await known();
  return answer.data as T;
}

let asking: Promise<void> | undefined;
/** The teacher's ways, asked once; if that fails they are asked for again with the next answer. */
const known = () =>
  (asking ??= api
    .GET('/api/styles')
    .then((a) => {
      if (!a.data?.all) throw new Problem();
      ways.house = a.data.all;
    })
    .catch(() => void (asking = undefined)));

export { sentence } from '../lib/load.svelte';
