import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export const api = createClient<paths>({ baseUrl: '/' });

/** What went wrong, as a sentence for the person in front of the screen. */
export class Problem extends Error {}

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
    throw new Problem('Sempre does not answer. Is it still running? Nothing you typed is lost.');
  }
  if (!answer.response.ok) {
    const detail = (answer.error as { detail?: string } | undefined)?.detail;
    throw new Problem(detail ?? `Sempre answered ${answer.response.status}; try again.`);
  }
  return answer.data as T;
}

export const sentence = (e: unknown) =>
  e instanceof Error ? e.message : 'Something went wrong; try again.';
